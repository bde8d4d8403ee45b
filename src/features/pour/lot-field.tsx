"use client";

import { useState } from "react";
import { CodeDialog } from "@/ui/code-dialog";

/** The lot of the bottle that a part comes from: typed, or read by the camera where the browser can. */
export function LotField({
  lot,
  label,
  wrong,
  onLot,
}: {
  lot: string | undefined;
  label: string;
  wrong: (lot: string) => string | null;
  onLot: (lot: string) => void;
}) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        aria-label={`Lot of ${label}`}
        className="underline underline-offset-4 text-base text-night-soft whitespace-nowrap max-w-32 truncate"
      >
        {lot === undefined ? "lot" : `lot ${lot}`}
      </button>
      {open && (
        <CodeDialog
          title={`Lot of ${label}`}
          label="As it stands on the bottle"
          start={lot ?? ""}
          keep="Keep the lot"
          wrong={wrong}
          onCode={(code) => {
            onLot(code);
            setOpen(false);
          }}
          onClose={() => setOpen(false)}
        />
      )}
    </>
  );
}
