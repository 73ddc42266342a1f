import type { FormEvent, ReactNode } from "react";
import { Logo } from "../../ui/Logo";

/** The card that stands before everything else: to log in, or to come by an invitation. */
export function Entrance({ onSubmit, children }: { onSubmit: () => void; children: ReactNode }) {
  const submit = (event: FormEvent) => {
    event.preventDefault();
    onSubmit();
  };
  return (
    <main className="flex min-h-full items-center justify-center p-4">
      <form
        onSubmit={submit}
        className="bg-base-100 border-base-content w-full max-w-sm space-y-4 rounded-[4px] border-[1.5px] p-6"
      >
        <div className="flex items-center gap-3">
          <Logo size={36} />
          <h1 className="text-2xl">Hidden Clerk</h1>
        </div>
        {children}
      </form>
    </main>
  );
}
