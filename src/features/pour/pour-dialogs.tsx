"use client";

import type { ReactNode } from "react";
import type { offRatio } from "@/core/batch/weigh-out";
import { verdictWords } from "@/core/pour/verdict-words";
import { cutText } from "@/core/units/cut-text";
import type { RunStep } from "@/core/pour/run-sheet";
import type { UnitSystem } from "@/core/units/dimension";
import type { Plan } from "@/core/plan/derive-plan";
import type { PourState } from "@/core/pour/pour-events";
import type { Place } from "@/core/pour/place";
import { ActsDialog } from "./acts-dialog";
import { DeviceDialog } from "./device-dialog";
import { PhotoButton } from "./photo-button";
import type { Act, PhotoOf } from "./pour-store";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { useDraft } from "@/ui/use-draft";

/** A mix that is off its ratio is told before it is taken as done. */
function OutOfRatio({
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
function WordsDialog({
  title,
  keep,
  label,
  act,
  most,
  needed,
  onWords,
  also,
  photo,
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
  /** Another thing that can be done with the same words. */
  also?: { act: string; onWords: (words: string) => void };
  /** A photo is taken, with what was said so far. */
  photo?: { of: string; onPhoto: (photo: File, words: string) => void };
  onClose: () => void;
  children?: ReactNode;
}) {
  const { draft, set } = useDraft(keep, { words: "" });
  const say = (to: (words: string) => void) => {
    const said = cutText(draft.words.trim(), most);
    if (needed && said === "") return;
    to(said);
    set({ words: "" });
    onClose();
  };
  const take = (to: (photo: File, words: string) => void) => (taken: File) => {
    to(taken, cutText(draft.words.trim(), most));
    set({ words: "" });
    onClose();
  };
  return (
    <Dialog open onClose={onClose} title={title}>
      <form
        className="text-ink"
        onSubmit={(event) => {
          event.preventDefault();
          say(onWords);
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
        <div className="flex gap-3 mt-3 flex-wrap">
          <Button type="submit" weight="primary">
            {act}
          </Button>
          {also && <Button onClick={() => say(also.onWords)}>{also.act}</Button>}
          {photo && (
            <PhotoButton
              of={photo.of}
              className="border border-ink px-3.5 min-h-9 hover:bg-paper"
              onPhoto={take(photo.onPhoto)}
            />
          )}
        </div>
      </form>
    </Dialog>
  );
}

/** An act is left out, or the whole of a coat that is not begun; the plan goes on without it. */
function SkipDialog({
  keep,
  step,
  begun,
  onSkip,
  onDrop,
  onClose,
}: {
  keep: string;
  step: RunStep;
  /** Something of its coat is done. */
  begun: boolean;
  onSkip: (why: string) => void;
  onDrop: (why: string) => void;
  onClose: () => void;
}) {
  const coat = { act: `All of ${step.coatName}`, onWords: onDrop };
  const act = { act: "This act only", onWords: onSkip };
  const [first, second] = step.kind === "pass" ? [act, begun ? undefined : coat] : [coat, undefined];
  return (
    <WordsDialog
      title={`Leave out: ${step.kind === "pass" ? step.title : step.coatName}`}
      keep={keep}
      label="Why"
      most={400}
      needed={false}
      {...first}
      {...(second && { also: second })}
      onClose={onClose}
    >
      <p className="mb-3">
        The plan goes on without it, and the log says so.{" "}
        {step.kind === "pass" && "Step back brings an act back."} {!begun && "All acts brings a coat back."}
      </p>
    </WordsDialog>
  );
}

/** What a pour asks, or shows, over its act. */
export type Asking = "ratio" | "call-off" | "skip" | "note" | "device" | "acts";

/** The dialog that is open over a pour, if any. */
export function PourDialogs({
  asking,
  close,
  callOff,
  pourId,
  place,
  placeWords,
  plan,
  step,
  steps,
  state,
  people,
  begun,
  off,
  tolerancePct,
  system,
  record,
  keepPhoto,
}: {
  asking: Asking | null;
  close: () => void;
  callOff: () => void;
  pourId: string;
  /** Of which a note is taken, and in words; null where it is of the act. */
  place: Place | null;
  placeWords: string | null;
  plan: Plan;
  step: RunStep | null;
  steps: readonly RunStep[];
  state: PourState;
  people: readonly string[];
  begun: boolean;
  off: ReturnType<typeof offRatio>;
  tolerancePct: number;
  system: UnitSystem;
  record: (act: Act) => Promise<void>;
  keepPhoto: (photo: File, of: PhotoOf) => Promise<void>;
}) {
  if (asking === "device") return <DeviceDialog onClose={close} />;
  if (asking === "acts")
    return (
      <ActsDialog
        plan={plan}
        steps={steps}
        state={state}
        step={step}
        people={people}
        record={record}
        onCallOff={callOff}
        onClose={close}
      />
    );
  if (asking === "call-off")
    return (
      <WordsDialog
        title="Call off this pour"
        keep={`pour.${pourId}.call-off`}
        label="Why"
        act="Call it off"
        most={400}
        needed={false}
        onWords={(why) => void record({ kind: "call-off", why })}
        onClose={close}
      >
        <p className="mb-3">
          It ends here. What was weighed and done stays in the log, and the job can be poured anew. Spread out
          what is mixed: it heats itself.
        </p>
      </WordsDialog>
    );
  if (asking === "note")
    return (
      <WordsDialog
        title="Note"
        keep={`pour.${pourId}.note`}
        label="What happened"
        act="Keep the note"
        most={2000}
        needed
        onWords={(text) =>
          void record({ kind: "note", stepId: step?.id ?? null, text, ...(place && { place }) })
        }
        photo={{
          of: place ? "A photo of this place" : "A photo with this note",
          onPhoto: (taken, text) =>
            void keepPhoto(taken, { stepId: step?.id ?? null, text, ...(place && { place }) }),
        }}
        onClose={close}
      >
        {placeWords && <p className="mb-3">{placeWords}.</p>}
      </WordsDialog>
    );
  if (asking === "skip" && step)
    return (
      <SkipDialog
        keep={`pour.${pourId}.skip`}
        step={step}
        begun={begun}
        onSkip={(why) => void record({ kind: "skip", stepId: step.id, why })}
        onDrop={(why) => void record({ kind: "drop-coat", coatId: step.coatId, why })}
        onClose={close}
      />
    );
  if (asking === "ratio" && step && off.length > 0)
    return (
      <OutOfRatio
        off={off}
        tolerancePct={tolerancePct}
        system={system}
        onBack={close}
        onMix={() => {
          close();
          void record({ kind: "tick", stepId: step.id });
        }}
      />
    );
  return null;
}
