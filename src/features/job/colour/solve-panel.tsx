"use client";

import { useEffect, useMemo, useRef, useState } from "react";
import { closeness } from "@/core/colour/ciede2000";
import { opticsOf } from "@/core/colour/colour-card";
import { opaqueDifference } from "@/core/colour/mix-look";
import type { Proposal, ShelfColour } from "@/core/colour/solve";
import { hexOfLab, labOfHex, type Lab } from "@/core/colour/spaces";
import type { Spread } from "@/core/numerics/spread";
import type { CoatLooks, ColourLooks } from "@/core/plan/colour-plan";
import { decimal, trimmed } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { readColour } from "@/core/colour/read-colour";
import { TextField } from "@/ui/text-field";
import { useJob } from "../workspace/use-job";
import { solveWorker } from "./solve-colour";

/** What would measure finer than the scale at hand: a finer scale, and drops of the usual size and density. */
const FINER = [
  { stepG: 0.01, words: "On a scale in steps of 0.01 g" },
  { stepG: 0.06, words: "Counted in drops of about 0.06 g" },
];

/** Colourants in 100 g of mix, together. */
const LOAD = { least: 2, most: 6 };

/** Looks for doses from the shelf that make a colour, off the main thread. */
export function SolvePanel({
  coat,
  looks,
  cupG,
  stepG,
  onTake,
}: {
  coat: CoatLooks;
  looks: ColourLooks;
  cupG: number;
  stepG: number;
  onTake: (proposal: Proposal) => void;
}) {
  const { colours, document } = useJob();
  const [text, setText] = useState(looks.colour.parts ? "" : looks.colour.hex);
  const [error, setError] = useState<string | null>(null);
  const [progress, setProgress] = useState<number | null>(null);
  const [found, setFound] = useState<(Proposal & { spread: Spread })[] | null>(null);
  const [finer, setFiner] = useState<{ words: string; difference: number }[]>([]);
  const cancel = useRef<(() => void) | null>(null);
  useEffect(() => () => cancel.current?.(), []);
  const names = useMemo(() => new Map(colours.map((card) => [card.id, card.name])), [colours]);
  const shelf = useMemo(
    () =>
      colours.flatMap((card): ShelfColour[] => {
        const optics = opticsOf(card);
        const opaque = card.kind === "paste" || card.kind === "acrylic";
        return optics && opaque && !optics.flake
          ? [{ id: card.id, ...optics.matter, mostPer100G: card.mostPer100G }]
          : [];
      }),
    [colours],
  );
  const look = async (target: Lab) => {
    cancel.current?.();
    setFound(null);
    setFiner([]);
    const solve = async (step: number) => {
      setProgress(0);
      const search = solveWorker.ask(
        "solve",
        { target, shelf, batchG: cupG, stepG: step, load: LOAD, most: 4 },
        setProgress,
      );
      cancel.current = search.cancel;
      const answer = await search.answer;
      cancel.current = null;
      setProgress(null);
      return answer;
    };
    const proposals = await solve(stepG);
    if (!proposals) return;
    const optics = new Map(colours.map((card) => [card.id, opticsOf(card)]));
    setFound(
      proposals.map((proposal) => ({
        ...proposal,
        spread: opaqueDifference(
          proposal.parts.map(({ id, grams }) => ({
            id,
            gPer100G: (100 * grams) / cupG,
            optics: optics.get(id) ?? null,
          })),
          target,
        ),
      })),
    );
    for (const scale of FINER.filter((way) => way.stepG < stepG / 2)) {
      const closer = await solve(scale.stepG);
      if (!closer) return;
      const best = closer[0];
      if (best) setFiner((before) => [...before, { words: scale.words, difference: best.difference }]);
    }
  };
  const submit = () => {
    const read = readColour(text);
    if (!read.ok) return setError(read.message);
    setError(null);
    void look("hex" in read ? labOfHex(read.hex) : read.lab);
  };
  return (
    <div>
      <h3 className="heading border-b border-line pb-1 mb-2">A recipe from the shelf</h3>
      <form
        className="grid grid-cols-[1fr_auto] gap-2 items-start"
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
      >
        <TextField
          label={`For this colour, with up to four of ${shelf.length} opaque colourants`}
          placeholder="#8A9A7F or 62 -11 12"
          value={text}
          error={error}
          onChange={(event) => setText(event.target.value)}
        />
        <Button
          type="submit"
          className="mt-5 !min-h-8 !px-2.5"
          disabled={shelf.length === 0 || progress !== null}
        >
          propose
        </Button>
      </form>
      {document.target && (
        <Button
          weight="quiet"
          className="text-sm mt-1"
          onClick={() => {
            if (document.target) setText(hexOfLab(document.target.lab));
          }}
        >
          take the colour of {document.target.name}
        </Button>
      )}
      {progress !== null && (
        <p className="text-sm mt-2 flex gap-3" role="status">
          Looking through the shelf, {Math.round(progress * 100)} %
          <Button weight="quiet" onClick={() => cancel.current?.()}>
            stop
          </Button>
        </p>
      )}
      {found?.length === 0 && (
        <p className="text-sm mt-2 border-l-[3px] border-ink pl-3" role="status">
          No set of whole steps of {trimmed(stepG, 3)} g fits a cup of {trimmed(cupG, 0)} g. Take a finer
          scale, or mix more at once.
        </p>
      )}
      {finer.map(({ words, difference }) => (
        <p key={words} className="text-sm mt-1">
          {words}: ΔE {decimal(difference, 1)}, {closeness(difference)}.
        </p>
      ))}
      {found && found.length > 0 && (
        <ol aria-label="Proposals" className="mt-2">
          {found.map((proposal) => (
            <li
              key={proposal.parts.map((part) => `${part.id}${part.grams}`).join()}
              className="flex items-start gap-3 border-b border-line py-2"
            >
              <span
                className="size-11 border border-ink shrink-0"
                style={{ background: hexOfLab(proposal.lab) }}
              />
              <span className="flex-1 min-w-0 text-sm">
                {proposal.parts
                  .map(({ id, grams }) => `${trimmed(grams, 2)} g ${names.get(id) ?? "?"}`)
                  .join(" + ")}
                <span className="label block">
                  ΔE {decimal(proposal.difference, 1)}, {closeness(proposal.difference)}; up to{" "}
                  {decimal(proposal.spread.high, 0)} as weak or strong as the cards leave it open; half a step
                  of the scale moves it {decimal(proposal.shiftPerHalfStep, 1)}
                </span>
              </span>
              <Button weight="quiet" className="text-sm" onClick={() => onTake(proposal)}>
                take it
              </Button>
            </li>
          ))}
          <li className="label mt-1">
            As an opaque film, for {coat.coat.name.toLowerCase()}. Light other than daylight may part what
            matches here.
          </li>
        </ol>
      )}
    </div>
  );
}
