"use client";

import { EMBEDS, embedNeed, singleG, type Embed, type EmbedKind, type SetSingly } from "@/core/batch/embeds";
import { isFill, type Coat } from "@/core/schedule/coat";
import { decimal, quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField, TextField } from "@/ui/text-field";
import { AdviceAt } from "../workspace/advice-line";
import { editCoat, newId } from "../workspace/edits";
import { SetSinglyFields } from "./set-singly";
import { useJob } from "../workspace/use-job";

const TOLD_BY = { mass: "mass", number: "number", area: "by area", line: "by border" };
type ToldBy = keyof typeof TOLD_BY;
const USUAL_STONE_MM = 12;

/** What lies in a coat that is not colour: its volume, and the clear that wets and locks it. */
export function EmbedList({ coat }: { coat: Coat }) {
  const { system, plan, change } = useJob();
  const typed = coat.embeds ?? [];
  // With the mass that those told by area have on these pieces.
  const embeds = plan.coats.find((planned) => planned.coat.id === coat.id)?.embeds ?? typed;
  const set = (next: (before: Embed[]) => Embed[]) =>
    change(editCoat(coat.id, (before) => ({ ...before, embeds: next(before.embeds ?? []) })));
  const edit = (id: string, next: Partial<Embed>) =>
    set((before) => before.map((embed) => (embed.id === id ? { ...embed, ...next } : embed)));
  /** A mass typed here holds for these pieces, whatever the recipe says by area. */
  const setMass = (id: string, massG: number) =>
    set((before) =>
      before.map((embed) => {
        if (embed.id !== id) return embed;
        const { gPerM2: _byArea, ...rest } = embed;
        return { ...rest, massG };
      }),
    );
  /** Told another way it is as much as before, as near as whole stones come to it. */
  const tell = (embed: Embed, by: ToldBy) =>
    set((before) =>
      before.map((was) => {
        if (was.id !== embed.id) return was;
        const { single, gPerM2: _byArea, ...rest } = was;
        if (by === "mass") return { ...rest, massG: embed.massG };
        const sizeMm = single?.sizeMm ?? USUAL_STONE_MM;
        const count = Math.max(1, Math.round(embed.massG / singleG(sizeMm, embed.densityGPerMl)));
        const areaM2 = plan.coats.find((planned) => planned.coat.id === coat.id)?.coveredM2 || 1;
        const many: SetSingly["many"] =
          by === "number"
            ? { by, count }
            : by === "area"
              ? { by, perM2: count / areaM2 }
              : { by, perM: 1000 / (2 * sizeMm) };
        return { ...rest, single: { ...single, sizeMm, many } };
      }),
    );
  return (
    <div>
      <div className="flex items-baseline justify-between border-b border-line pb-1">
        <h3 className="heading">Stones, glass, glitter</h3>
        <Button
          weight="quiet"
          onClick={() =>
            set((before) => [
              ...before,
              {
                id: newId(),
                name: "Stones",
                kind: "stones",
                massG: 200,
                densityGPerMl: EMBEDS.stones.densityGPerMl,
                lockedShare: 0.5,
              },
            ])
          }
        >
          add
        </Button>
      </div>
      <AdviceAt coatId={coat.id} at={["embeds"]} />
      {embeds.map((embed) => {
        const need = embedNeed(embed, isFill(coat));
        const clear = {
          low: need.wetMl.low + need.lockMl.low,
          likely: need.wetMl.likely + need.lockMl.likely,
          high: need.wetMl.high + need.lockMl.high,
        };
        const volume = (ml: number) => quantityText(ml, "volume", system);
        return (
          <div key={embed.id} className="border-b border-line py-3 grid grid-cols-3 gap-3">
            <TextField
              label="What"
              value={embed.name}
              maxLength={80}
              onChange={(event) => edit(embed.id, { name: event.target.value })}
            />
            <SelectField
              label="Kind"
              value={embed.kind}
              onChange={(event) => {
                const kind = event.target.value as EmbedKind;
                edit(embed.id, { kind, densityGPerMl: EMBEDS[kind].densityGPerMl });
              }}
            >
              {Object.entries(EMBEDS).map(([kind, { words }]) => (
                <option key={kind} value={kind}>
                  {words}
                </option>
              ))}
            </SelectField>
            <SelectField
              label="Told by"
              value={embed.single?.many.by ?? "mass"}
              onChange={(event) => tell(embed, event.target.value as ToldBy)}
            >
              {Object.entries(TOLD_BY).map(([by, words]) => (
                <option key={by} value={by}>
                  {words}
                </option>
              ))}
            </SelectField>
            {embed.single ? (
              <SetSinglyFields
                coat={coat}
                embed={embed}
                single={embed.single}
                onSingle={(single) => edit(embed.id, { single })}
              />
            ) : (
              <QuantityField
                label="In all"
                value={embed.massG}
                dimension="mass"
                system={system}
                bounds={{ min: 0, max: 1_000_000 }}
                onChange={(massG) => setMass(embed.id, massG)}
                keep={`${embed.id}.mass`}
                bare
              />
            )}
            <QuantityField
              label="Its density"
              value={embed.densityGPerMl}
              dimension="density"
              system={system}
              bounds={{ min: 0.1, max: 25 }}
              onChange={(densityGPerMl) => edit(embed.id, { densityGPerMl })}
              keep={`${embed.id}.density`}
              bare
            />
            <QuantityField
              label="Locked in to"
              value={embed.lockedShare * 100}
              dimension="percent"
              system={system}
              bounds={{ min: 0, max: 150 }}
              onChange={(percent) => edit(embed.id, { lockedShare: percent / 100 })}
              keep={`${embed.id}.locked`}
              bare
            />
            <div className="text-right">
              <Button
                weight="quiet"
                className="text-sm mt-5"
                onClick={() => set((before) => before.filter((kept) => kept.id !== embed.id))}
              >
                remove
              </Button>
            </div>
            <p className="label col-span-3">
              {embed.gPerM2 !== undefined &&
                `By the recipe ${decimal(embed.gPerM2, 0)} g to the square metre. `}
              {need.sunkMl > 0
                ? `Takes the place of ${volume(need.sunkMl)} of the fill; clear to wet it `
                : `Takes ${volume(need.solidMl)}; clear to wet and to lock it in `}
              <span className="figure text-ink">{volume(clear.likely)}</span>, {volume(clear.low)} to{" "}
              {volume(clear.high)}. Wash and dry it first; no heat gun before it is wetted.
            </p>
          </div>
        );
      })}
    </div>
  );
}
