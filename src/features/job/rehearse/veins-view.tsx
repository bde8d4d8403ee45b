"use client";

import { useParams } from "next/navigation";
import { useEffect, useMemo, useState } from "react";
import { beadAreaMm2 } from "@/core/film/flow";
import { veinForecast } from "@/core/film/vein-timing";
import type { Measured } from "@/core/geometry/measure";
import { MOST_STANDING, standing, standsFor } from "@/core/veins/standing";
import { tapeList } from "@/core/veins/tape";
import { mapBox, placesOf, type PiecePlace } from "@/core/veins/places";
import {
  drawnVein,
  redrawn,
  veinAcross,
  veinAmounts,
  type MapVein,
  type VeinMap,
  type VeinSet,
} from "@/core/veins/vein-map";
import { MOST_VEIN_SETS } from "@/core/pattern/passes/work";
import { rehearsalOf } from "@/core/rehearsal/rehearse";
import { Button } from "@/ui/button";
import { Menu, MenuItem } from "@/ui/menu";
import { QuantityField } from "@/ui/quantity-field";
import { useSize } from "@/ui/use-size";
import { TapeList } from "./tape-list";
import { TemplateMenu } from "./template-menu";
import { editCoat, moved, newId } from "../workspace/edits";
import { useJob, useJobState } from "../workspace/use-job";
import { newSet, newVeinMap, veinColours } from "./new-vein-map";
import { PieceChoice } from "./piece-choice";
import { RehearseHead } from "./rehearse-head";
import { VeinForm, VeinSetForm } from "./vein-sets";
import { VeinStage } from "./vein-stage";

const STAGE_HEIGHT = 280;
/** A vein is laid about so high, of its width at most (assumed). */
const LAID_HIGH_MM = 1;

/** Veins across all pieces as one stone, and what a tape measure says of them. */
export function VeinsView() {
  const { document, plan, change } = useJob();
  const pieces = useMemo(() => standing(plan.pieces), [plan.pieces]);
  if (document.veinMap) return <VeinMapEditor map={document.veinMap} pieces={pieces} />;
  const first = newVeinMap(document, pieces);
  return (
    <main className="flex-1 px-7 pt-3 pb-5">
      <RehearseHead title="Vein map" />
      <p className="max-w-[62ch] mb-4">
        All pieces laid out as they will stand, the veins drawn across them as one stone; for each piece the
        list for the tape measure, and a template in full scale.
      </p>
      {first ? (
        <Button weight="primary" onClick={() => change((job) => ({ ...job, veinMap: first }))}>
          Lay out the pieces and draw veins
        </Button>
      ) : (
        <p className="text-ink-soft">
          First measure a piece, and give the job a vein coat or a coat with a vein pass in Build.
        </p>
      )}
    </main>
  );
}

function VeinMapEditor({ map, pieces }: { map: VeinMap; pieces: readonly Measured[] }) {
  const { jobId } = useParams<{ jobId: string }>();
  const { document, plan, system, change } = useJob();
  const hold = useJobState((state) => state.hold);
  const [chosen, setChosen] = useState<{ kind: "piece" | "vein"; id: string } | null>(null);
  const [drawing, setDrawing] = useState<string | null>(null);
  const [listed, setListed] = useState<string | null>(null);
  const { ref, width } = useSize<HTMLDivElement>();
  const places = useMemo(() => placesOf(pieces, map.places), [pieces, map.places]);
  const colours = veinColours(document.coats);
  const edit = (next: (map: VeinMap) => VeinMap) =>
    change((job) => (job.veinMap ? { ...job, veinMap: next(job.veinMap) } : job));
  const editSet = (id: string, next: (set: VeinSet) => VeinSet) =>
    edit((before) => ({ ...before, sets: before.sets.map((set) => (set.id === id ? next(set) : set)) }));
  const editVein = (setId: string, veinId: string, next: (vein: MapVein) => MapVein) =>
    editSet(setId, (set) => ({
      ...set,
      veins: set.veins.map((vein) => (vein.id === veinId ? next(vein) : vein)),
    }));
  const box = useMemo(() => mapBox(pieces, places), [pieces, places]);
  const shown = useMemo(
    () => (pieces[0] ? (rehearsalOf(plan, document, pieces[0])?.passes ?? []) : []),
    [plan, document, pieces],
  );
  const colourOf = ({ colourId }: VeinSet) =>
    document.coats.flatMap((coat) => coat.colours).find(({ id }) => id === colourId)?.hex ?? "#4a4c50";
  const amounts = useMemo(() => {
    const amountsOf = (set: VeinSet) => {
      const filmMm = document.coats.find(({ id }) => id === set.coatId)?.filmMm ?? LAID_HIGH_MM;
      let [lengthMm, areaMm2] = [0, 0];
      for (const piece of pieces) {
        const place = places.get(piece.id);
        if (!place) continue;
        const amounts = veinAmounts(set, piece, place);
        lengthMm += standsFor(piece) * amounts.lengthMm;
        areaMm2 += standsFor(piece) * amounts.areaMm2;
      }
      return { lengthMm, areaMm2, ml: (areaMm2 * filmMm) / 1000 };
    };
    return new Map(map.sets.map((set) => [set.id, amountsOf(set)]));
  }, [map.sets, pieces, places, document.coats]);
  /** A vein of a set's thickness, laid when its coat's vein pass comes, in the end. */
  const laidOf = (set: VeinSet) => {
    const coat = document.coats.find(({ id }) => id === set.coatId);
    const veinPass = coat?.passes.find(({ kind }) => kind === "veins");
    const pass = shown.find(({ coatId, passId }) => coatId === coat?.id && passId === veinPass?.id);
    const into = plan.coats.find(({ coat }) => coat.id === pass?.filmCoatId);
    if (!pass || !into?.resin || into.resin.kind === "paint") return null;
    const high = Math.min(LAID_HIGH_MM, set.thickMm / 2);
    const film = {
      vein: { widthMm: set.thickMm, areaMm2: beadAreaMm2(set.thickMm, high) },
      resin: into.resin,
      tempC: document.work.tempC,
      filmMm: into.coat.filmMm,
    };
    return { minute: pass.minute, width: veinForecast(film, pass.minute) };
  };
  const drawnSet = map.sets.find(({ id }) => id === drawing);
  useEffect(() => {
    if (!drawing) return;
    const leave = (event: KeyboardEvent) => event.key === "Escape" && setDrawing(null);
    window.addEventListener("keydown", leave);
    return () => window.removeEventListener("keydown", leave);
  }, [drawing]);
  const add = (to: VeinSet, vein: MapVein | null) => {
    if (!vein) return;
    editSet(to.id, (set) => ({ ...set, veins: [...set.veins, vein] }));
    setChosen({ kind: "vein", id: vein.id });
  };
  const found = map.sets
    .flatMap((set) => set.veins.map((vein, n) => ({ set, vein, n })))
    .find(({ vein }) => vein.id === chosen?.id);
  const piece = pieces.find(({ id }) => id === (chosen?.kind === "piece" ? chosen.id : listed)) ?? pieces[0];
  const place = piece && places.get(piece.id);
  const list = piece && place ? tapeList(map, piece, place) : [];
  // Tops are drawn in the colour there is most of, so that veins stand out as they will.
  const ground =
    [...(plan.looks.coats.findLast(({ coat }) => coat.kind === "colour")?.colours ?? [])].sort(
      (a, b) => b.colour.share - a.colour.share,
    )[0]?.hex ?? "#e9e4d6";
  const put = (id: string, to: PiecePlace) =>
    edit((before) => ({ ...before, places: { ...Object.fromEntries(places), [id]: to } }));
  const remove = () => {
    if (!found) return;
    editSet(found.set.id, (set) => ({ ...set, veins: set.veins.filter(({ id }) => id !== found.vein.id) }));
    setChosen(null);
  };
  /** The vein coat's cover and shares by what the map takes, so that Cups mixes that much. */
  const intoCups = () =>
    change((job) =>
      job.coats.reduce((next, coat) => {
        const sets = map.sets.filter(({ coatId }) => coatId === coat.id);
        const areaMm2 = sets.reduce((sum, set) => sum + (amounts.get(set.id)?.areaMm2 ?? 0), 0);
        if (coat.kind !== "vein" || areaMm2 <= 0 || plan.totals.topAreaMm2 <= 0) return next;
        const areaOf = (colourId: string) =>
          sets
            .filter((set) => set.colourId === colourId)
            .reduce((sum, set) => sum + (amounts.get(set.id)?.areaMm2 ?? 0), 0);
        return editCoat(coat.id, (before) => ({
          ...before,
          coverShare: Math.min(1, Math.max(0.001, areaMm2 / plan.totals.topAreaMm2)),
          colours: before.colours.map((colour) => ({ ...colour, share: areaOf(colour.id) / areaMm2 })),
        }))(next);
      }, job),
    );
  return (
    <main className="flex-1 min-h-0 overflow-y-auto px-7 pt-3 pb-5">
      <RehearseHead title="Vein map">
        {colours.length > 0 && map.sets.length < MOST_VEIN_SETS && (
          <Menu label="another set">
            {colours.map((colour) => (
              <MenuItem
                key={colour.colourId}
                onSelect={() =>
                  edit((before) => ({
                    ...before,
                    sets: [
                      ...before.sets,
                      redrawn(
                        newSet(
                          colour,
                          pieces,
                          false,
                          document.rehearsal?.angleDeg ?? 26,
                          40 + before.sets.length,
                        ),
                        box,
                        newId,
                      ),
                    ],
                  }))
                }
              >
                {colour.name}
              </MenuItem>
            ))}
          </Menu>
        )}
        <Button onClick={intoCups}>Into Cups</Button>
        {piece && <TemplateMenu piece={piece} list={list} jobId={jobId} />}
      </RehearseHead>
      <div className="grid grid-cols-[minmax(0,1fr)_320px] gap-7 max-lg:grid-cols-1">
        <div>
          <div ref={ref} className="w-full border-y border-ink bg-paper">
            {width > 0 && (
              <VeinStage
                map={map}
                pieces={pieces}
                places={places}
                colourOf={colourOf}
                ground={ground}
                width={width}
                height={STAGE_HEIGHT}
                chosen={chosen}
                onChoose={setChosen}
                onPlace={put}
                onPoint={(setId, veinId, at, to) =>
                  editVein(setId, veinId, (vein) => ({
                    ...vein,
                    locked: true,
                    points: vein.points.map((point, n) => (n === at ? to : point)),
                  }))
                }
                onHold={hold}
                onRemove={remove}
                drawing={drawnSet ? colourOf(drawnSet) : null}
                onDrawn={(line) => {
                  if (!drawnSet) return;
                  add(drawnSet, drawnVein(drawnSet, line, newId()));
                  setDrawing(null);
                }}
              />
            )}
          </div>
          {plan.pieces
            .filter(({ count }) => count > MOST_STANDING)
            .map(({ id, name, count }) => (
              <p key={id} className="label mt-1">
                {name}: {MOST_STANDING} of {count} are laid out; the volume is for all.
              </p>
            ))}
          {piece && (
            <section aria-label={`Tape list of ${piece.name}`} className="mt-3">
              <div className="flex items-baseline gap-5 flex-wrap border-b border-line pb-1">
                <h2 className="heading text-xl">{piece.name}, by the tape</h2>
                {pieces.length > 1 && (
                  <PieceChoice
                    pieces={pieces}
                    chosen={piece.id}
                    choose={(id) => {
                      setListed(id);
                      setChosen(null);
                    }}
                  />
                )}
                {place && (
                  <span className="ml-auto flex items-baseline gap-3 text-sm">
                    <span className="label">turned, °</span>
                    <QuantityField
                      label={`${piece.name} turned by, degrees`}
                      hideLabel
                      value={place.turnDeg}
                      dimension="number"
                      system={system}
                      bounds={{ min: -360, max: 360 }}
                      onChange={(turnDeg) => put(piece.id, { ...place, turnDeg })}
                      className="w-16"
                      bare
                    />
                    <Button
                      weight="quiet"
                      onClick={() => put(piece.id, { ...place, turnDeg: (place.turnDeg + 90) % 360 })}
                    >
                      turn it 90°
                    </Button>
                  </span>
                )}
              </div>
              <TapeList veins={list} />
            </section>
          )}
        </div>
        <div>
          {found && (
            <VeinForm
              vein={found.vein}
              name={`${found.set.name}, vein ${found.n + 1}`}
              onChange={(next) => editVein(found.set.id, found.vein.id, (vein) => ({ ...vein, ...next }))}
              onRemove={remove}
            />
          )}
          {map.sets.map((set, at) => (
            <VeinSetForm
              key={set.id}
              set={set}
              colour={colourOf(set)}
              amounts={amounts.get(set.id) ?? { lengthMm: 0, areaMm2: 0, ml: 0 }}
              laid={laidOf(set)}
              onChange={(next) => editSet(set.id, (before) => ({ ...before, ...next }))}
              onRedraw={(next) => editSet(set.id, (before) => redrawn({ ...before, ...next }, box, newId))}
              onRemove={() =>
                edit((before) => ({ ...before, sets: before.sets.filter(({ id }) => id !== set.id) }))
              }
              onEarlier={
                at === 0
                  ? null
                  : () => edit((before) => ({ ...before, sets: moved(before.sets, set.id, -1) }))
              }
              drawing={drawing === set.id}
              onDraw={() => setDrawing(drawing === set.id ? null : set.id)}
              onAcross={() => add(set, veinAcross(set, box, newId()))}
              colours={colours
                .filter(({ colourId }) => colourId !== set.colourId)
                .map(({ colourId, name }) => ({ id: colourId, name }))}
              onColour={(id) => {
                const to = colours.find(({ colourId }) => colourId === id);
                if (to)
                  editSet(set.id, (before) => ({
                    ...before,
                    name: to.name,
                    coatId: to.coat.id,
                    colourId: id,
                  }));
              }}
            />
          ))}
          {map.sets.length === 0 && (
            <p className="text-ink-soft text-sm">No set of veins. Take another set above.</p>
          )}
        </div>
      </div>
    </main>
  );
}
