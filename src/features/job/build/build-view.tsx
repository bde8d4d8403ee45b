"use client";

import { GROUNDS, type Ground } from "@/core/batch/grounds";
import { useState } from "react";
import { newCoat, workedOn } from "@/core/job/new-job";
import { COAT_WORDS, type CoatKind } from "@/core/schedule/coat";
import { Button } from "@/ui/button";
import { Choice } from "@/ui/choice";
import { Menu, MenuItem } from "@/ui/menu";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField } from "@/ui/text-field";
import { useSize } from "@/ui/use-size";
import { RecipeLine } from "../recipe/recipe-line";
import { AdviceAt } from "../workspace/advice-line";
import { newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";
import { BuildMenu } from "./build-menu";
import { CoatForm } from "./coat-form";
import type { Piece } from "@/core/geometry/piece";
import { SectionAlong } from "./section-along";
import { CrossSection, type SectionForm } from "./cross-section";

const KINDS = Object.keys(COAT_WORDS) as CoatKind[];
/** What a section is cut through, by what the pieces are. */
function sectionForm(pieces: readonly Piece[]): SectionForm {
  const kinds = new Set(pieces.map(({ shape }) => shape.kind));
  const only = kinds.size === 1 ? [...kinds][0] : undefined;
  return only === "tumbler" ? "wall" : only === "floor" || only === "mould" ? only : "edge";
}

/** Coats that lie on the top, in the order in which they usually do; the others fill or seal. */
const LAID: readonly CoatKind[] = ["seal", "primer", "base", "colour", "vein", "lock-in", "clear"];

/** The coats in order on a cross-section, and all that is said of the one picked. */
export function BuildView() {
  const { document, plan, cards, system, change } = useJob();
  const [pickedId, setPickedId] = useState<string | null>(null);
  /** What the section is cut through: a divided piece by its id, or an edge. */
  const [cut, setCut] = useState<string | null>(null);
  const { ref: stageRef, width: stageWidth, height: stageHeight } = useSize<HTMLDivElement>();
  const coat =
    document.coats.find((planned) => planned.id === pickedId) ??
    document.coats.find((planned) => planned.kind === "colour") ??
    document.coats[0];

  const add = (kind: CoatKind) => {
    const before = [...document.coats]
      .reverse()
      .find(
        (coat) =>
          coat.resinCardId !== null &&
          (kind === "primer") === (cards.find((card) => card.id === coat.resinCardId)?.kind === "paint"),
      );
    const usual =
      cards.find((card) => (kind === "primer" ? card.kind === "paint" : card.kind === "coating")) ?? cards[0];
    const alike = document.coats.filter((coat) => coat.kind === kind).length;
    const name = kind === "base" || kind === "primer" ? `${COAT_WORDS[kind]}, black` : COAT_WORDS[kind];
    const fresh = workedOn(
      newCoat(
        kind,
        alike > 0 ? `${name} ${alike + 1}` : name,
        before?.resinCardId ?? usual?.id ?? null,
        newId,
      ),
      document.pieces,
      newId,
    );
    change((job) => ({ ...job, coats: [...job.coats, fresh] }));
    setPickedId(fresh.id);
  };

  const divided = plan.pieces.filter(({ zones }) => zones.length > 0);
  const along = cut === "edge" ? undefined : (divided.find(({ id }) => id === cut) ?? divided[0]);
  const section = {
    coats: plan.coats.map((planned) => planned.coat),
    ground: document.ground,
    system,
    selectedId: coat?.id ?? null,
    onSelect: setPickedId,
    width: stageWidth,
    height: stageHeight,
  };

  return (
    <main className="flex-1 flex min-h-0 max-lg:flex-col">
      <section aria-label="Cross-section" className="flex-1 min-w-0 flex flex-col pl-7 pt-5 pr-4">
        <RecipeLine />
        {divided.length > 0 && (
          <Choice
            label="Where it is cut"
            value={along?.id ?? "edge"}
            options={[
              ...divided.map(({ id, name }) => ({ value: id, words: `across ${name}` })),
              { value: "edge", words: "at an edge" },
            ]}
            onChange={setCut}
            className="self-start mb-2"
          />
        )}
        <div ref={stageRef} className="flex-1 min-h-[360px] relative">
          {stageWidth > 0 && (
            <div className="absolute inset-0">
              {along ? (
                <SectionAlong key={along.id} piece={along} places={plan.places} {...section} />
              ) : (
                <CrossSection form={sectionForm(document.pieces)} {...section} />
              )}
            </div>
          )}
          {document.coats.length === 0 && (
            <p className="absolute left-[210px] top-24 max-w-xs text-ink-soft">
              <span className="heading text-xl text-ink block mb-1">From the ground up</span>
              Add a base, black or white, then a colour coat. Each coat lies on the one before.
            </p>
          )}
        </div>
        <div className="flex items-end gap-5 py-4 border-t border-line mt-2 flex-wrap">
          <div className="flex items-baseline gap-x-3.5 gap-y-1 flex-wrap pb-1.5">
            <span className="text-ink-soft">add</span>
            {LAID.map((kind) => (
              <Button key={kind} weight="quiet" onClick={() => add(kind)}>
                {COAT_WORDS[kind].toLowerCase()}
              </Button>
            ))}
            <Menu label="fill or edge" align="start">
              {KINDS.filter((kind) => !LAID.includes(kind)).map((kind) => (
                <MenuItem key={kind} onSelect={() => add(kind)}>
                  {COAT_WORDS[kind]}
                </MenuItem>
              ))}
            </Menu>
            <span className="border-l border-line-strong pl-3.5">
              <BuildMenu />
            </span>
          </div>
          <div className="w-full flex gap-3 items-end">
            <p className="label flex-1 pb-1.5">{GROUNDS[document.ground].prepare}</p>
            <SelectField
              label="On"
              value={document.ground}
              onChange={(event) => change((job) => ({ ...job, ground: event.target.value as Ground }))}
              frame="w-32"
            >
              {Object.entries(GROUNDS).map(([ground, { words }]) => (
                <option key={ground} value={ground}>
                  {words}
                </option>
              ))}
            </SelectField>
            <QuantityField
              label="Room and resin"
              value={document.work.tempC}
              dimension="temperature"
              system={system}
              bounds={{ min: -5, max: 45 }}
              onChange={(tempC) => change((job) => ({ ...job, work: { ...job.work, tempC } }))}
              keep="job.temperature"
              className="w-28"
              bare
            />
          </div>
        </div>
        <AdviceAt coatId={null} at={["temperature"]} />
      </section>
      <section
        aria-label="Coat"
        className="w-[420px] max-lg:w-full shrink-0 border-l border-line px-7 pt-5 pb-8 overflow-y-auto"
      >
        {coat ? (
          <CoatForm key={coat.id} coat={coat} onGone={() => setPickedId(null)} />
        ) : (
          <p className="text-ink-soft">No coat yet.</p>
        )}
      </section>
    </main>
  );
}
