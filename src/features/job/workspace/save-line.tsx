"use client";

import { Button } from "@/ui/button";
import { useJobState } from "./use-job";

const WORDS = {
  saved: "saved",
  unsaved: "not saved yet",
  saving: "saving",
  unreachable: "kept here, the server does not answer",
  full: "kept here, the disk of the server is full",
  "signed-out": "kept here, signed out",
  refused: "kept here, not saved",
  conflict: "saved elsewhere",
} as const;

/** Undo, redo, and where the last keystroke is. */
export function SaveLine() {
  const status = useJobState((state) => state.status);
  const trouble = useJobState((state) => state.trouble);
  const canUndo = useJobState((state) => state.canUndo);
  const canRedo = useJobState((state) => state.canRedo);
  const step = useJobState((state) => state.step);
  const save = useJobState((state) => state.save);
  const calm = status === "saved" || status === "saving" || status === "unsaved";
  return (
    <div className="flex items-baseline gap-3 label">
      <Button weight="quiet" disabled={!canUndo} onClick={() => void step("undo")} title="Ctrl Z">
        undo
      </Button>
      <Button weight="quiet" disabled={!canRedo} onClick={() => void step("redo")} title="Ctrl Shift Z">
        redo
      </Button>
      <span role="status" className={calm ? "" : "text-danger"} title={trouble ?? undefined}>
        {WORDS[status]}
        {status === "refused" && trouble && `: ${trouble}`}
      </span>
      {calm && trouble && (
        <span role="alert" className="text-danger">
          {trouble}
        </span>
      )}
      {status === "signed-out" && (
        <a href="/sign-in" target="_blank" rel="noreferrer" className="underline">
          sign in
        </a>
      )}
      {["refused", "unreachable", "full", "signed-out"].includes(status) && (
        <Button weight="quiet" onClick={() => void save()}>
          try again
        </Button>
      )}
    </div>
  );
}
