import { useLit } from "@/pictures/use-lit";
import { Button } from "@/ui/button";

/** Pictures under the lamp or plain: one touch, everywhere. */
export function LitButton() {
  const [lit, setLit] = useLit();
  return (
    <Button weight="quiet" aria-pressed={lit} onClick={() => setLit(!lit)}>
      {lit ? "plain picture" : "under the lamp"}
    </Button>
  );
}
