import { Button } from "./button";
import type { KeptForm } from "./use-kept-form";

/** Says that something typed waits to be saved, and takes it back. */
export function Unsaved<Values>({ form }: { form: KeptForm<Values> }) {
  if (!form.unsaved) return null;
  return (
    <span className="label flex items-baseline gap-2" role="status">
      not saved yet
      <Button weight="quiet" onClick={form.revert}>
        back to as it was saved
      </Button>
    </span>
  );
}
