"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { callAct } from "@/contracts/call-act";
import { addColours } from "@/contracts/colour-card";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { FileProblems } from "@/ui/file-problems";
import { useFileChooser } from "@/ui/use-file-chooser";
import { readAside } from "@/workers/read-aside";
import { MOST_COLOURS, type ReadShelf } from "./read-shelf";

/** Colours from a CSV or a palette: what can be read is told before it is added, what cannot by its line. */
export function ReadShelfDialog({ names, onClose }: { names: readonly string[]; onClose: () => void }) {
  const router = useRouter();
  const [read, setRead] = useState<ReadShelf | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const known = new Set(names.map((name) => name.toLowerCase()));
  const fresh = (read?.colours ?? []).filter(({ fields }) => !known.has(fields.name.toLowerCase()));
  const already = (read?.colours.length ?? 0) - fresh.length;
  const rough = fresh.filter(
    ({ fields }) => fields.appearance.by === "swatches" && !fields.appearance.swatches.tint,
  );
  const chooser = useFileChooser({
    label: "File of colours",
    accept: ".csv,.gpl,text/csv,text/plain",
    onFile: async (file) => {
      const worker = () => new Worker(new URL("./read-shelf.worker.ts", import.meta.url));
      const found = await readAside<ReadShelf>(worker, file);
      setRead(found.ok ? found.value : { colours: [], problems: [{ line: null, message: found.reason }] });
    },
  });
  const add = async () => {
    const result = await callAct(addColours, {
      colours: fresh.slice(0, MOST_COLOURS).map(({ fields }) => fields),
    });
    if (!result.ok) return setProblem(result.error.message);
    onClose();
    router.refresh();
  };
  return (
    <Dialog open onClose={onClose} title="Read colours from a file" wide>
      <p className="text-ink-soft mb-4">
        A CSV as the one that is written here, or a GIMP palette (.gpl). Colours whose name is on the shelf
        stay as they are.
      </p>
      {chooser.input}
      {read && (
        <p aria-live="polite" className="mb-3">
          <span className="figure text-xl">{fresh.length}</span> new
          {already > 0 && `, ${already} on the shelf already`}
          {rough.length > 0 &&
            `. ${rough.length === fresh.length ? "All" : rough.length} by one swatch alone: their strength is rough until a second one is typed on the card.`}
        </p>
      )}
      {read && <FileProblems problems={read.problems} />}
      {problem && (
        <p role="alert" className="text-danger border-l-2 border-danger pl-2 mt-3">
          {problem}
        </p>
      )}
      <div className="flex gap-4 mt-5">
        <Button weight={fresh.length > 0 ? "plain" : "primary"} onClick={chooser.choose}>
          {read ? "Another file" : "Choose the file"}
        </Button>
        {fresh.length > 0 && (
          <Button weight="primary" onClick={() => void add()}>
            Add {fresh.length} {fresh.length === 1 ? "colour" : "colours"}
          </Button>
        )}
      </div>
    </Dialog>
  );
}
