"use client";

import { NOTHING_STEPS, SLOW_FROM } from "@/core/instruments/weigh-live";
import { onScale, type WeighLine } from "@/core/pour/weigh-lines";
import { classNames } from "@/ui/class-names";
import type { LiveScale } from "@/instruments/use-scale";

/** What the scale shows now, as large as the target: how much is in, how much is to go, and slower near the end. */
export function ScaleLine({
  scale: { state, shown, stepG: printedG },
  line,
  stepG: shopG,
  onChoose,
  onHand,
}: {
  scale: LiveScale;
  line: WeighLine | null;
  stepG: number;
  /** Lets the person choose a scale at this device; null where the browser reads none. */
  onChoose: (() => void) | null;
  /** Weighed by hand from now on. */
  onHand: () => void;
}) {
  if (state === "off")
    return (
      <p className="text-lg border-y border-night-line py-2 flex gap-4">
        <Quiet onClick={onChoose}>read a scale at this device</Quiet>
      </p>
    );
  const stepG = printedG ?? shopG;
  const isTooFine = line !== null && line.grams <= NOTHING_STEPS * stepG;
  const grams = shown && "grams" in shown ? shown.grams : null;
  if (state === "waiting")
    return (
      <p role="status" className="text-lg text-night-soft border-y border-night-line py-2 flex gap-4">
        The scale does not answer: type what it shows.
        <span className="ml-auto flex gap-5">
          <Quiet onClick={onChoose}>another scale</Quiet>
          <Quiet onClick={onHand}>weigh by hand</Quiet>
        </span>
      </p>
    );
  const slow = shown?.kind === "pouring" && line !== null && shown.grams > SLOW_FROM * line.grams;
  return (
    <div
      className="border-y border-night-line py-3 flex items-end gap-6 flex-wrap"
      aria-label="The scale"
      role="group"
    >
      <div className="min-w-[280px]">
        <p className="text-xl text-night-soft">{line ? line.label : "all is weighed"}</p>
        <p
          className={classNames("figure leading-none", slow ? "text-signal-night" : "")}
          style={{ fontSize: "clamp(64px, 7vw, 96px)" }}
        >
          {grams === null ? "–" : onScale(Math.max(0, grams), stepG)}
          <span className="text-2xl text-night-soft ml-2 font-normal">g</span>
        </p>
      </div>
      <p role="status" className="text-2xl leading-tight pb-2 max-w-[22ch]">
        {isTooFine && shown?.kind === "pouring"
          ? "Less than this scale can tell: measure it as is said below, and type it."
          : stateWords(state, shown, stepG)}
      </p>
      <span className="ml-auto">
        <Quiet onClick={onHand}>weigh by hand</Quiet>
      </span>
    </div>
  );
}

function Quiet({ onClick, children }: { onClick: (() => void) | null; children: string }) {
  if (!onClick) return null;
  return (
    <button
      type="button"
      onClick={onClick}
      className="underline underline-offset-4 text-lg text-night-soft pb-2 whitespace-nowrap"
    >
      {children}
    </button>
  );
}

function stateWords(state: LiveScale["state"], shown: LiveScale["shown"], stepG: number): string {
  if (state === "out of range") return "The scale is over its range.";
  switch (shown?.kind) {
    case "tare":
      return "Put the vessel on and tare.";
    case "pouring":
      return `${onScale(Math.max(0, shown.toGoG), stepG)} g to go`;
    case "take":
      return "Taken.";
    case "lifted":
      return "Put the vessel back.";
    case "tared":
      return "Tared.";
    default:
      return "";
  }
}
