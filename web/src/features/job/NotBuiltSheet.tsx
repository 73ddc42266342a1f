import { SheetLayout } from "./SheetLayout";
import { STAGES } from "./stages";

const COMING: Record<string, string> = {
  "hand-over": "the test record, the papers and the restore book",
};

/** A stage of the work that the software does not do yet, said plainly. */
export function NotBuiltSheet({ stage }: { stage: string }) {
  const known = STAGES.find((s) => s.path === stage);
  return (
    <SheetLayout title={known?.word ?? "Unknown page"}>
      {known ? (
        <p className="max-w-prose">
          This stage is not built yet. It will do {COMING[stage]}. Survey to Rules work today; do this part by
          hand and note it on paper.
        </p>
      ) : (
        <p>This address leads to no stage. Choose one above.</p>
      )}
    </SheetLayout>
  );
}
