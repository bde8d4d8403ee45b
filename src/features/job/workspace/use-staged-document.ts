import { useEffect, useState } from "react";
import { useStore } from "zustand";
import type { JobDocument } from "@/core/job/job";
import type { JobStore } from "./job-store";

/** Figures follow a pull so often at the most, ms: they are read, not followed. */
const FIGURES_MS = 150;

/**
 * The document that is shown in figures: at once; while a drawing is pulled in stages, as far as the stages have come.
 * Each stage has a frame of its own, so that the line under the hand is drawn in every frame, however much has to be worked out of it.
 * @param stages what works out a part of what is shown and keeps it, the heavy parts apart
 */
export function useStagedDocument(
  store: JobStore,
  stages: readonly ((document: JobDocument) => unknown)[],
): JobDocument {
  const document = useStore(store, (state) => state.document);
  const inStages = useStore(store, (state) => state.inStages);
  const [shown, setShown] = useState(document);
  if (!inStages && shown !== document) setShown(document);
  useEffect(() => {
    if (!inStages) return;
    let frame = 0;
    let shownAt = -Infinity;
    let last: JobDocument | null = null;
    const run = (document: JobDocument, stage: number) => {
      const workOut = stages[stage];
      if (!workOut) {
        last = document;
        shownAt = performance.now();
        setShown(document);
        next();
        return;
      }
      workOut(document);
      frame = requestAnimationFrame(() => run(document, stage + 1));
    };
    const next = () => {
      frame = requestAnimationFrame((now) => {
        const { document } = store.getState();
        if (document === last || now - shownAt < FIGURES_MS) next();
        else run(document, 0);
      });
    };
    next();
    return () => cancelAnimationFrame(frame);
  }, [store, stages, inStages]);
  return inStages ? shown : document;
}
