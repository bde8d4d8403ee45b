"use client";

import { useState } from "react";
import { newCoat } from "@/core/job/new-job";
import { nextLayer } from "@/core/job/builds";
import { TECHNIQUE_IDS, TECHNIQUES, type TechniqueId } from "@/core/job/technique-list";
import { withLook } from "@/core/job/looks";
import { isFill, START_WORDS, type Coat, type NotBefore, type StartsAfter } from "@/core/schedule/coat";
import { coatWhenWords, notBeforeOf, readWhen } from "@/core/schedule/when";
import { hoursOf } from "@/core/job/job-settings";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Choice } from "@/ui/choice";
import { Menu, MenuItem } from "@/ui/menu";
import { QuantityField } from "@/ui/quantity-field";
import { SaidField } from "@/ui/said-field";
import { SelectField, TextField } from "@/ui/text-field";
import { AdviceAt } from "../workspace/advice-line";
import { editCoat, moved, newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";
import { AmountPanel } from "./amount-panel";
import { CoatPieces } from "./coat-pieces";
import { DeepPourPanel } from "./deep-pour-panel";
import { EmbedList } from "./embed-list";
import { FillDepth } from "./fill-depth";
import { PassList } from "./pass-list";
import { ShareList } from "./share-list";
import { FaceTiming } from "./face-timing";
import { RehearsalAdvice } from "../rehearse/rehearsal-advice";
import { VeinTiming } from "./vein-timing";
import { SprayList } from "./spray-list";
import { useClockWords } from "@/ui/shop-clock";

/** The three grounds a base is laid as. */
const BASES = [
  { value: "Ink black", words: "black" },
  { value: "Flat white", words: "white" },
  { value: "Stone grey", words: "grey" },
] as const;

/** All that is planned of one coat. */
export function CoatForm({ coat: typed, onGone }: { coat: Coat; onGone: () => void }) {
  const { style } = useClockWords();
  const { document, plan, cards, system, change } = useJob();
  const index = document.coats.findIndex((planned) => planned.id === typed.id);
  const planned = plan.coats[index];
  // As it came out: with the film and the shares that follow from what is given.
  const coat = planned?.coat ?? typed;
  const [more, setMore] = useState(false);
  const edit = (next: Partial<Coat>) => change(editCoat(coat.id, (before) => ({ ...before, ...next })));
  const first = index === 0;

  const fill = (technique: TechniqueId) => change((job) => withLook(job, coat.id, technique, newId));

  return (
    <div className="flex flex-col gap-4">
      <div className="flex items-start gap-3">
        <TextField
          label="Coat"
          value={coat.name}
          maxLength={80}
          onChange={(event) => edit({ name: event.target.value })}
          frame="flex-1"
          className="heading text-lg"
        />
        <div className="pt-5">
          <Menu label="more">
            <MenuItem onSelect={() => change((job) => ({ ...job, coats: moved(job.coats, coat.id, 1) }))}>
              Move up, later
            </MenuItem>
            <MenuItem onSelect={() => change((job) => ({ ...job, coats: moved(job.coats, coat.id, -1) }))}>
              Move down, earlier
            </MenuItem>
            <MenuItem
              onSelect={() =>
                change((job) => ({
                  ...job,
                  coats: job.coats.flatMap((laid) =>
                    laid.id === coat.id
                      ? [
                          laid,
                          nextLayer(
                            laid,
                            planned?.resin ?? null,
                            job.coats.map(({ name }) => name),
                            newId,
                          ),
                        ]
                      : [laid],
                  ),
                }))
              }
            >
              Copy
            </MenuItem>
            <MenuItem
              danger
              onSelect={() => {
                change((job) => ({ ...job, coats: job.coats.filter((planned) => planned.id !== coat.id) }));
                onGone();
              }}
            >
              Remove
            </MenuItem>
          </Menu>
        </div>
      </div>

      {(coat.kind === "colour" || coat.kind === "fill") && (
        <Menu label="fill by a look">
          {TECHNIQUE_IDS.filter((id) => (TECHNIQUES[id].for === "channel") === (coat.kind === "fill")).map(
            (technique) => (
              <MenuItem key={technique} onSelect={() => fill(technique)}>
                {TECHNIQUES[technique].name}: {TECHNIQUES[technique].look}
              </MenuItem>
            ),
          )}
        </Menu>
      )}
      {(coat.kind === "base" || coat.kind === "primer") && (
        <Choice
          label="Colour of the base"
          value={coat.colours.length === 1 ? (coat.colours[0]?.name ?? "") : ""}
          options={BASES.map((base) => ({ ...base }))}
          onChange={(name) => {
            const word = BASES.find((base) => base.value === name)?.words ?? "";
            const [fresh] = newCoat(coat.kind, "", null, newId).colours;
            change(
              editCoat(coat.id, (before) => ({
                ...before,
                name: before.name.replace(/\b(black|white|grey)\b/, word),
                colours: fresh ? [{ ...fresh, ...baseColour(name) }] : before.colours,
              })),
            );
          }}
          className="self-start"
        />
      )}

      {isFill(coat) && (
        <>
          <FillDepth coat={coat} />
          <DeepPourPanel coat={coat} />
        </>
      )}
      <AmountPanel coat={coat} />
      <AdviceAt coatId={coat.id} at={["film"]} />

      <SelectField
        label="Resin"
        value={coat.resinCardId ?? ""}
        onChange={(event) => edit({ resinCardId: event.target.value || null })}
        error={planned?.problem?.includes("resin") ? planned.problem : null}
      >
        <option value="">choose a card</option>
        {cards.map((card) => (
          <option key={card.id} value={card.id}>
            {card.name}
          </option>
        ))}
      </SelectField>
      <AdviceAt coatId={coat.id} at={["resin"]} />

      <ShareList coat={coat} />

      <PassList coat={coat} />
      <SprayList coat={coat} />
      {(document.pieces.length > 1 || document.pieces.some(({ division }) => division)) && (
        <CoatPieces coat={coat} />
      )}

      <div className="border-t border-line pt-2">
        <Button weight="quiet" aria-expanded={more} onClick={() => setMore(!more)}>
          {more ? "fewer settings" : "start, mixing, rate, faces, stones"}
        </Button>
        {more && (
          <div className="flex flex-col gap-3 pt-3">
            {!first && (
              <SelectField
                label="Begins"
                value={coat.startsAfter}
                onChange={(event) => edit({ startsAfter: event.target.value as StartsAfter })}
              >
                {Object.entries(START_WORDS).map(([start, words]) => (
                  <option key={start} value={start}>
                    {words}
                  </option>
                ))}
              </SelectField>
            )}
            {!first && (
              <SaidField
                label="Not before"
                value={coatWhenWords(coat, style)}
                placeholder="22 h later · next morning at 8"
                keep={`${coat.id}.not-before`}
                read={(text) => {
                  const read = readWhen(text, { passes: [], openMin: hoursOf(document).openMin });
                  if (!read.ok) return read.message;
                  const notBefore = notBeforeOf(read.when);
                  if (!notBefore) return "A coat waits so long after the one below, or for a time of day.";
                  change(editCoat(coat.id, (before) => waiting(before, notBefore)));
                  return null;
                }}
              />
            )}
            <Choice
              label="Mixing method"
              value={coat.school}
              options={[
                { value: "clear-first", words: "clear first, then cups" },
                { value: "colour-into-a", words: "colour into A, then B" },
              ]}
              onChange={(school) => edit({ school })}
              className="self-start"
            />
            <div className="grid grid-cols-2 gap-3">
              <QuantityField
                label="One person lays in an hour"
                value={coat.rateM2PerH}
                dimension="rate"
                system={system}
                bounds={{ min: 0.1, max: 200 }}
                onChange={(rateM2PerH) => edit({ rateM2PerH })}
                keep={`${coat.id}.rate`}
              />
              <QuantityField
                label="Hands at work"
                value={document.work.people}
                dimension="number"
                system={system}
                bounds={{ min: 1, max: 20, whole: true }}
                onChange={(people) => change((job) => ({ ...job, work: { ...job.work, people } }))}
                keep="job.people"
                bare
              />
              <QuantityField
                label="Clear held back"
                value={coat.clearReserve * 100}
                dimension="percent"
                system={system}
                bounds={{ min: 0, max: 100 }}
                onChange={(percent) => edit({ clearReserve: percent / 100 })}
                keep={`${coat.id}.clear`}
                bare
              />
              {!isFill(coat) && (
                <QuantityField
                  label="Share of the top it covers"
                  value={coat.coverShare * 100}
                  dimension="percent"
                  system={system}
                  bounds={{ min: 0.1, max: 100 }}
                  onChange={(percent) => edit({ coverShare: percent / 100 })}
                  keep={`${coat.id}.cover`}
                  bare
                />
              )}
            </div>
            <Checkbox
              label="faces are coated too"
              checked={coat.coversFaces}
              onChange={(coversFaces) => edit({ coversFaces })}
            />
            {(planned?.resin?.kits.length ?? 0) > 0 && (
              <Checkbox
                label="no batch larger than one kit"
                checked={coat.byKits ?? false}
                onChange={(byKits) => edit({ byKits })}
              />
            )}
            <EmbedList coat={coat} />
          </div>
        )}
        <AdviceAt coatId={coat.id} at={["rate", "batches"]} />
        {coat.passes.some(({ kind }) => kind === "veins") && <VeinTiming coat={coat} />}
        <RehearsalAdvice coat={coat} />
        {coat.coversFaces && coat.passes.some(({ kind }) => kind === "faces" || kind === "dam-pull") && (
          <FaceTiming coat={coat} />
        )}
      </div>
    </div>
  );
}

/** A coat that waits so; with nothing to wait for it has no such field. */
function waiting({ notBefore: _before, ...coat }: Coat, notBefore: NotBefore): Coat {
  return Object.keys(notBefore).length === 0 ? coat : { ...coat, notBefore };
}

function baseColour(name: string): { name: string; hex: string } {
  return { name, hex: { "Ink black": "#1B1C1E", "Flat white": "#F4F3EF" }[name] ?? "#8F8F8B" };
}
