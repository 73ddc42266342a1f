import { type ReactNode, useEffect, useRef } from "react";

/** A sheet laid over the desk. */
export function Overlay({
  title,
  onClose,
  children,
}: {
  title: string;
  onClose: () => void;
  children: ReactNode;
}) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    dialog.current?.showModal();
  }, []);
  return (
    <dialog
      ref={dialog}
      onClose={onClose}
      aria-label={title}
      className="bg-base-100 text-base-content border-base-content m-auto w-[min(34rem,92vw)] rounded-[4px] border-[1.5px] p-5 backdrop:bg-black/50"
    >
      <div className="mb-3 flex items-baseline justify-between">
        <h2 className="text-lg">{title}</h2>
        <button type="button" className="btn btn-sm btn-outline" onClick={() => dialog.current?.close()}>
          close
        </button>
      </div>
      {children}
    </dialog>
  );
}
