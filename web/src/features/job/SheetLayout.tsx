import { X } from "lucide-react";
import type { ReactNode } from "react";
import { useDrawer } from "./drawers";

type Props = {
  title: string;
  detail?: ReactNode;
  actions?: ReactNode;
  children: ReactNode;
  margin?: ReactNode;
  noteCount?: number;
};

/** A sheet on the desk with its margin beside it; on a phone the margin is a drawer. */
export function SheetLayout({ title, detail, actions, children, margin, noteCount = 0 }: Props) {
  const { drawer, show } = useDrawer();
  return (
    <>
      <main className="print-flow bg-base-100 border-base-content mx-0 flex min-h-0 min-w-0 flex-1 flex-col overflow-y-auto border-t-[1.5px] sm:mx-4 sm:mb-3 sm:rounded-b-[4px] sm:border-[1.5px]">
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2 px-4 pt-3 sm:px-5 sm:pt-4">
          <h1 className="text-xl">{title}</h1>
          <span className="text-soft">{detail}</span>
          <span className="flex-1" />
          {actions}
          {margin && (
            <button
              type="button"
              className="no-print btn btn-sm btn-outline xl:hidden"
              onClick={() => show(drawer === "margin" ? null : "margin")}
            >
              notes {noteCount > 0 ? noteCount : ""}
            </button>
          )}
        </div>
        <div className="flex-1 px-4 py-3 sm:px-5">{children}</div>
      </main>
      {margin && (
        <aside
          aria-label="In the margin"
          // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, and the keyboard must reach it even where it holds no button.
          tabIndex={0}
          className={`no-print bg-base-200 border-line w-[300px] shrink-0 overflow-y-auto border-l p-4 xl:static xl:block ${
            drawer === "margin" ? "fixed inset-y-0 right-0 z-30 block max-w-[90vw] shadow-none" : "hidden"
          }`}
        >
          <div className="mb-3 flex items-center justify-between">
            <h2 className="text-[16px]">In the margin</h2>
            <button
              type="button"
              className="btn btn-ghost btn-square btn-sm xl:hidden"
              onClick={() => show(null)}
              aria-label="close the margin"
            >
              <X size={18} aria-hidden />
            </button>
          </div>
          {margin}
        </aside>
      )}
    </>
  );
}
