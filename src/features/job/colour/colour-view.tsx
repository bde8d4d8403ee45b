"use client";

import Link from "next/link";
import { useState } from "react";
import type { CoatLooks } from "@/core/plan/colour-plan";
import { decimal, quantityText, trimmed } from "@/core/units/format-quantity";
import { useJob } from "../workspace/use-job";
import { AdviceAt } from "../workspace/advice-line";
import { FilmTile } from "./film-tile";
import { MixPanel } from "./mix-panel";
import { TargetBand } from "./target-band";
import { ZoneColours } from "./zone-colours";

/** Each mix as a film over its ground, the piece's average beside the client's target, doses that move all of it at once. */
export function ColourView() {
  const { colours, plan } = useJob();
  const { coats } = plan.looks;
  const [coatId, setCoatId] = useState<string | null>(null);
  const [colourId, setColourId] = useState<string | null>(null);
  const withColours = coats.filter((looks) => looks.colours.length > 0);
  const coat =
    withColours.find((withColour) => withColour.coat.id === coatId) ??
    withColours.find((withColour) => withColour.coat.kind === "colour") ??
    withColours[0];
  if (!coat)
    return (
      <main className="flex-1 px-7 py-8 text-ink-soft">
        <p className="heading text-xl text-ink mb-1">No colour yet.</p>
        Add a coat with colours in Build, and what they look like is here.
      </main>
    );
  const picked = coat.colours.find((looks) => looks.colour.id === colourId) ?? coat.colours[0];
  return (
    <main className="flex-1 flex min-h-0 max-lg:flex-col">
      <section aria-label="Looks" className="flex-1 min-w-0 px-7 pt-4 pb-6 overflow-y-auto">
        <div role="group" aria-label="Coats" className="flex gap-6 border-b border-line mb-5 flex-wrap">
          {withColours.map((withColour) => (
            <button
              key={withColour.coat.id}
              type="button"
              aria-pressed={withColour.coat.id === coat.coat.id}
              onClick={() => {
                setCoatId(withColour.coat.id);
                setColourId(null);
              }}
              className={`pb-1.5 ${withColour.coat.id === coat.coat.id ? "font-semibold border-b-[3px] border-ink" : "text-ink-soft hover:text-ink"}`}
            >
              {withColour.coat.name}
            </button>
          ))}
        </div>
        <Films coat={coat} pickedId={picked?.colour.id ?? null} onPick={setColourId} />
        <TargetBand coat={coat} looks={plan.looks} />
        <ZoneColours coatId={coat.coat.id} />
        <AdviceAt coatId={coat.coat.id} at={["shares"]} />
        {colours.length === 0 && (
          <p className="mt-5 text-sm border-l-[3px] border-ink pl-3">
            The shop has no colourants yet.{" "}
            <Link href="/colours" className="underline underline-offset-4">
              Add the usual ones or your own
            </Link>
            : then doses can be foretold.
          </p>
        )}
      </section>
      <section
        aria-label="Mix"
        className="w-[420px] max-lg:w-full shrink-0 border-l border-line px-7 pt-4 pb-8 overflow-y-auto"
      >
        {picked && <MixPanel key={picked.colour.id} coat={coat} looks={picked} />}
      </section>
    </main>
  );
}

/** The mixes of a coat as lit films, in the order of its cups. */
function Films({
  coat,
  pickedId,
  onPick,
}: {
  coat: CoatLooks;
  pickedId: string | null;
  onPick: (colourId: string) => void;
}) {
  const { system } = useJob();
  return (
    <div>
      <div className="label mb-2">
        {quantityText(coat.coat.filmMm, "film", system)} over what lies below, seen in daylight
      </div>
      <div className="flex gap-5 flex-wrap items-start">
        {coat.colours.map((looks) => {
          const { colour, lab, look } = looks;
          const on = colour.id === pickedId;
          return (
            <button
              key={colour.id}
              type="button"
              aria-pressed={on}
              onClick={() => onPick(colour.id)}
              className={`w-[148px] text-left border-t-4 pt-1.5 ${on ? "border-signal" : "border-transparent hover:border-line"}`}
            >
              <FilmTile looks={looks} underHex={coat.under.hex} label={`${colour.name}, a film of it`} />
              <div className="font-semibold mt-1.5 truncate">
                {colour.name} <span className="label font-normal">{decimal(colour.share * 100, 0)} %</span>
              </div>
              <div className="label">
                L* {decimal(lab[0], 0)} a* {decimal(lab[1], 0)} b* {decimal(lab[2], 0)}
              </div>
              {look?.metallic && (
                <div className="label">
                  face {decimal(look.metallic.face[0], 0)}, flop {decimal(look.metallic.flop[0], 0)}
                </div>
              )}
              <div className="label">
                {colour.parts
                  ? `${colour.parts.map((part) => `${part.name.replace(/ (paste|mica)$/, "")} ${trimmed(part.gPer100G, 2)}`).join(", ")} g`
                  : look === null
                    ? "typed; its pigments are not known"
                    : "clear"}
              </div>
            </button>
          );
        })}
      </div>
    </div>
  );
}
