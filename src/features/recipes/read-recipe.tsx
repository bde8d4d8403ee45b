"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { callAct } from "@/contracts/call-act";
import { readRecipe, type RecipeFile } from "@/contracts/recipes";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { FileProblems, type FileProblem } from "@/ui/file-problems";
import { useFileChooser } from "@/ui/use-file-chooser";
import { readAside } from "@/workers/read-aside";
import type { ReadRecipe } from "./read-recipe-file";

/** A recipe from a file: what is wrong in it is told by line, what it brings is told before it is taken. */
export function ReadRecipeDialog({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const [file, setFile] = useState<RecipeFile | null>(null);
  const [problems, setProblems] = useState<FileProblem[]>([]);
  const [done, setDone] = useState<{ recipeId: string; words: string[] } | null>(null);
  const [busy, setBusy] = useState(false);
  const load = async (picked: File) => {
    const worker = () => new Worker(new URL("./read-recipe-file.worker.ts", import.meta.url));
    const found = await readAside<ReadRecipe>(worker, picked);
    const read: ReadRecipe = found.ok
      ? found.value
      : { ok: false, problems: [{ line: null, message: found.reason }] };
    setFile(read.ok ? read.file : null);
    setProblems(read.ok ? [] : read.problems);
  };
  const chooser = useFileChooser({
    label: "Recipe file",
    accept: ".json,application/json",
    onFile: (picked) => void load(picked),
  });
  const take = async () => {
    if (!file) return;
    setBusy(true);
    const result = await callAct(readRecipe, { file });
    setBusy(false);
    if (!result.ok) return setProblems([{ line: null, message: result.error.message }]);
    const { recipeId, addedColours, missingResins } = result.value;
    const words = [
      ...(addedColours.length > 0 ? [`Added to the colours: ${addedColours.join(", ")}.`] : []),
      ...(missingResins.length > 0
        ? [`No resin card is called ${missingResins.join(", ")}: choose one in the job.`]
        : []),
    ];
    if (words.length === 0) router.push(`/recipes/${recipeId}`);
    else setDone({ recipeId, words });
  };
  if (done)
    return (
      <Dialog open onClose={() => router.push(`/recipes/${done.recipeId}`)} title="The recipe is read">
        {done.words.map((word) => (
          <p key={word} className="mb-2">
            {word}
          </p>
        ))}
        <Button weight="primary" className="mt-2" onClick={() => router.push(`/recipes/${done.recipeId}`)}>
          Open it
        </Button>
      </Dialog>
    );
  return (
    <Dialog open onClose={onClose} title="Read a recipe file">
      <p className="text-ink-soft mb-4">
        A file that Gaugebeam wrote, or one that keeps to its{" "}
        <a href="/recipes/recipe.schema.json" className="underline underline-offset-4">
          schema
        </a>
        . Colourants that the shelf lacks come with it.
      </p>
      {chooser.input}
      {file && (
        <p className="mb-4">
          <span className="heading text-lg block">{file.name}</span>
          {file.recipe.coats.map((coat) => coat.name).join(", ")}
        </p>
      )}
      <FileProblems problems={problems} />
      <div className="flex gap-4 mt-4">
        <Button weight={file ? "plain" : "primary"} onClick={chooser.choose}>
          {file || problems.length > 0 ? "Another file" : "Choose the file"}
        </Button>
        {file && (
          <Button weight="primary" disabled={busy} onClick={() => void take()}>
            Take it in
          </Button>
        )}
      </div>
    </Dialog>
  );
}
