"use client";

import type { ReactNode } from "react";
import type { offRatio } from "@/core/batch/weigh-out";
import { verdictWords } from "@/core/pour/verdict-words";
import { cutText } from "@/core/units/cut-text";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { useDraft } from "@/ui/use-draft";

/** A mix that is off its ratio is told before it is taken as done. */
export function OutOfRatio({
  off,
  tolerancePct,
  system,
  onBack,
  onMix,
}: {
  off: ReturnType<typeof offRatio>;
  tolerancePct: number;
  system: UnitSystem;
  onBack: () => void;
  onMix: () => void;
}) {
  return (
    <Dialog open onClose={onBack} title="Out of ratio">
      <div className="text-ink flex flex-col gap-3">
        {off.map((verdict) => (
          <p key={verdict.mixId}>{verdictWords(verdict, tolerancePct, system)}</p>
        ))}
        <p className="label">
          Mixed like this it leaves soft spots that never harden. You can add; you cannot take out.
        </p>
        <div className="flex gap-3 flex-wrap">
          <Button weight="primary" onClick={onBack}>
            Back to the scale
          </Button>
          <Button onClick={onMix}>Mix it as it is</Button>
        </div>
      </div>
    </Dialog>
  );
}

/** A few words about the pour for its log; half typed they are there again when it is opened anew. */
export function WordsDialog({
  title,
  keep,
  label,
  act,
  most,
  needed,
  onWords,
  onClose,
  children,
}: {
  title: string;
  /** Under which they are kept while they are typed. */
  keep: string;
  label: string;
  /** What its button says. */
  act: string;
  most: number;
  /** Nothing is kept without a word. */
  needed: boolean;
  onWords: (words: string) => void;
  onClose: () => void;
  children?: ReactNode;
}) {
  const { draft, set } = useDraft(keep, { words: "" });
  return (
    <Dialog open onClose={onClose} title={title}>
      <form
        className="text-ink"
        onSubmit={(event) => {
          event.preventDefault();
          const said = cutText(draft.words.trim(), most);
          if (needed && said === "") return;
          onWords(said);
          set({ words: "" });
          onClose();
        }}
      >
        {children}
        <label className="label" htmlFor="pour-words">
          {label}
        </label>
        <textarea
          id="pour-words"
          value={draft.words}
          onChange={(event) => set({ words: event.target.value })}
          maxLength={most}
          rows={4}
          autoFocus
          className="w-full bg-paper border border-line-strong p-2 text-lg mt-1"
        />
        <Button type="submit" weight="primary" className="mt-3">
          {act}
        </Button>
      </form>
    </Dialog>
  );
}
