import { SheetLayout } from "./SheetLayout";

/** An address that leads to no stage. */
export function NoStageSheet() {
  return (
    <SheetLayout title="Unknown page">
      <p>This address leads to no stage. Choose one above.</p>
    </SheetLayout>
  );
}
