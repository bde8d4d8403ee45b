"use client";

import { useMemo, useState } from "react";
import type { Pour } from "@/contracts/pours";
import { lookKey, type Pin } from "@/core/inspect/inspection";
import { FAULTS, REPAIRS } from "@/core/inspect/fault-table";
import { walkOf } from "@/core/inspect/walk";
import type { When } from "@/core/pour/inspect-events";
import { placeWords } from "@/core/pour/place-words";
import type { Place } from "@/core/pour/place";
import { covers, type Coat } from "@/core/schedule/coat";
import type { UnitSystem } from "@/core/units/dimension";
import { quantityText } from "@/core/units/format-quantity";
import { PhotoStage } from "@/pictures/photo-stage";
import { Choice } from "@/ui/choice";
import { PoursNav } from "@/ui/pours-nav";
import { useShopClock } from "@/ui/shop-clock";
import { CausePanel } from "./cause-panel";
import { FilmLayer } from "./film-layer";
import { FilmSide } from "./film-side";
import { PhotoPanel, type Approved } from "./photo-panel";
import { PinDialog } from "./pin-dialog";
import { PinsLayer } from "./pins-layer";
import { RepairDialog } from "./repair-dialog";
import { PieceChoice, Stage } from "./stage";
import { rehearsedOf } from "../rehearsed-of";
import { useInspected } from "./use-inspected";
import { useFilmMap, useTraced } from "./use-traced";
import { usePhoto } from "./use-photo";
import { LandmarksLayer } from "./landmarks-layer";
import { MendLine } from "./mend-line";
import { NextTime, type JobSide } from "./next-time";
import { PinList, WalkPanel, faultName } from "./walk-panel";

type See = "walk" | "pins" | "film" | "photo" | "causes";
const SEES: readonly { value: See; words: string }[] = [
  { value: "walk", words: "Walk round" },
  { value: "pins", words: "Pins" },
  { value: "film", words: "Film" },
  { value: "photo", words: "Photograph" },
  { value: "causes", words: "Causes" },
];

/** One pour, looked at: its piece on the left, what is asked and told of it on the right. */
export function InspectedPour({
  pour,
  pours,
  jobId,
  teethMm,
  system,
  job,
  approved,
}: {
  pour: Pour;
  pours: readonly Pour[];
  jobId: string;
  teethMm: readonly number[];
  system: UnitSystem;
  job: JobSide;
  /** What the client approved, to be held beside a photo. */
  approved: Approved;
}) {
  const { logged, events, wet, now, waiting, trouble, record, keepPhoto } = useInspected(pour);
  const { plan, inspection, document, outcomes } = logged;
  const { say } = useShopClock();
  const [see, setSee] = useState<See>("walk");
  const [chosenWhen, setWhen] = useState<When | null>(null);
  const when = chosenWhen ?? (wet ? "wet" : "cured");
  const coats = plan.coats.filter(({ coat }) => outcomes.some(({ coatId }) => coatId === coat.id)).reverse();
  const coatList = coats.map(({ coat }) => ({ id: coat.id, name: coat.name }));
  const onPieces = plan.pieces.filter(({ id }) => coats.some(({ coat }) => covers(coat, id)));
  const [pieceId, setPieceId] = useState<string | null>(null);
  const piece = onPieces.find(({ id }) => id === pieceId) ?? onPieces[0];
  const [coatId, setCoatId] = useState<string | null>(null);
  const coat = coats.find((one) => one.coat.id === coatId) ?? coats[0];
  const [asking, setAsking] = useState<{ item: string; faults: readonly string[] } | null>(null);
  const [pinAt, setPinAt] = useState<Place | null>(null);
  const [combPlace, setCombPlace] = useState<Place | null>(null);
  const [minMm, setMinMm] = useState<number | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const [faultId, setFaultId] = useState<string | null>(null);
  /** A repair that is looked at, and the coat that it comes to. */
  const [repair, setRepair] = useState<{ id: string; coat: Coat } | null>(null);

  const items = useMemo(
    () =>
      walkOf(logged.plan, new Set(logged.outcomes.map((one) => one.coatId)), when, logged.document.target),
    [logged, when],
  );
  const film = useFilmMap(
    see === "film" ? logged : null,
    coat?.coat.id ?? null,
    piece?.id ?? null,
    minMm,
    teethMm,
  );
  const pinned = inspection.pins.filter(({ end }) => end?.how !== "mistaken");
  const fault =
    FAULTS.find(({ id }) => id === (faultId ?? pinned.at(-1)?.fault)) ??
    (FAULTS[0] as (typeof FAULTS)[number]);
  const faultCoatId =
    coatId ?? pinned.findLast((pin) => pin.fault === fault.id)?.coatId ?? coat?.coat.id ?? null;
  const { traced, repairFor } = useTraced(see === "causes" ? logged : null, fault, faultCoatId, teethMm);

  const rehearsed = piece ? rehearsedOf(plan, document, piece, piece.id) : null;
  const photo = usePhoto(piece, rehearsed, plan);

  const inPlan = (place: Place) => placeWords(place, plan.pieces, system) ?? "on a piece";
  const numberOf = (pin: Pin) => inspection.pins.indexOf(pin) + 1;
  if (!coat || !piece)
    return (
      <main className="flex-1 px-7 py-8">
        <p className="heading text-xl mb-1">No coat has been mixed yet.</p>
        <p className="text-ink-soft">When the first one lies on the piece, you walk round it here.</p>
      </main>
    );

  const touched = (place: Place) => {
    if (see === "film") setCombPlace(place);
    else setPinAt(place);
  };
  const standing = inspection.pins.filter(({ end }) => end === null).length;
  const marks = inspection.pins
    .filter(({ place, end }) => place.pieceId === piece.id && end?.how !== "mistaken")
    .map((pin) => ({
      id: pin.id,
      place: pin.place,
      words: String(numberOf(pin)),
      name: `${numberOf(pin)}: ${faultName(pin.fault)}`,
      quiet: pin.end !== null,
    }));

  return (
    <main className="flex-1 min-h-0 flex max-lg:flex-col max-lg:overflow-y-auto">
      <div className="flex-1 min-w-0 flex flex-col border-r border-line">
        <div className="px-6 pt-4 flex items-baseline gap-x-6 gap-y-2 flex-wrap">
          <h1 className="heading text-2xl">Poured {say(pour.startedAt, "d MMMM")}</h1>
          <Choice
            label="When"
            value={when}
            options={[
              { value: "wet", words: "Wet" },
              { value: "cured", words: "Cured, in daylight" },
            ]}
            onChange={setWhen}
          />
          {now !== null && <MendLine wet={wet} />}
          <PoursNav pours={pours} current={pour.id} href={`/jobs/${jobId}/inspect`} />
        </div>
        {(waiting > 0 || trouble) && (
          <p role="status" className="px-6 pt-1 text-sm text-ink-soft">
            {waiting > 0 &&
              `${waiting} ${waiting === 1 ? "entry is" : "entries are"} kept on this device and not on the server yet. `}
            {trouble}
          </p>
        )}
        {see === "photo" && photo.file ? (
          <PhotoStage asked={photo}>
            <PieceChoice pieces={onPieces} piece={piece} onPiece={setPieceId} />
          </PhotoStage>
        ) : (
          <Stage
            pieces={onPieces}
            piece={piece}
            onPiece={setPieceId}
            pictured={see === "film" ? null : rehearsed}
            touch={
              see === "photo"
                ? null
                : { asks: see === "film" ? "Put the comb" : "Pin what is not right", onPlace: touched }
            }
          >
            {(frame) => (
              <>
                {film && <FilmLayer film={film} frame={frame} system={system} />}
                {see === "photo" && photo.canJudge && (
                  <LandmarksLayer landmarks={photo.landmarks} frame={frame} />
                )}
                {see !== "film" && see !== "photo" && (
                  <PinsLayer marks={marks} frame={frame} chosen={chosen} />
                )}
                {see === "film" && combPlace?.pieceId === piece.id && (
                  <PinsLayer
                    marks={[{ id: "comb", place: combPlace, words: "comb", name: "The comb" }]}
                    frame={frame}
                    chosen="comb"
                  />
                )}
              </>
            )}
          </Stage>
        )}
      </div>
      <aside className="w-[500px] max-lg:w-full shrink-0 flex flex-col min-h-0">
        <div role="tablist" aria-label="Inspect" className="flex gap-5 px-6 pt-4 border-b border-line">
          {SEES.map(({ value, words }) => (
            <button
              key={value}
              type="button"
              role="tab"
              aria-selected={see === value}
              onClick={() => {
                setSee(value);
                setAsking(null);
              }}
              className={`min-h-11 border-b-2 text-lg ${see === value ? "border-ink font-semibold" : "border-transparent text-ink-soft hover:border-line-strong"}`}
            >
              {words}
              {value === "pins" && standing > 0 && <span className="figure"> {standing}</span>}
            </button>
          ))}
        </div>
        <div className="flex-1 min-h-0 overflow-y-auto px-6 py-4" role="tabpanel" tabIndex={0}>
          {see === "walk" && (
            <WalkPanel
              items={items}
              when={when}
              inspection={inspection}
              asking={asking?.item ?? null}
              onRight={({ id }, right) =>
                void record({ kind: "looked", when, item: id, ok: right ? true : null })
              }
              onWrong={(item) => {
                void record({ kind: "looked", when, item: item.id, ok: false });
                if (item.pieceId) setPieceId(item.pieceId);
                setAsking({ item: item.id, faults: item.faults });
              }}
            />
          )}
          {see === "pins" && (
            <>
              <PinList
                pins={inspection.pins}
                numberOf={numberOf}
                placeOf={({ place }) => inPlan(place)}
                sizeOf={({ sizeMm }) => (sizeMm === null ? null : quantityText(sizeMm, "length", system))}
                chosen={chosen}
                onChoose={(pin) => {
                  setPieceId(pin.place.pieceId);
                  setChosen(pin.id === chosen ? null : pin.id);
                }}
                onWhy={(pin) => {
                  setFaultId(pin.fault);
                  setCoatId(pin.coatId);
                  setSee("causes");
                }}
                onEnd={(pin, how) => void record({ kind: "pin-ends", pinId: pin.id, how })}
                onPhoto={(pin, photo) => void keepPhoto(photo, { stepId: null, pinId: pin.id })}
              />
              <NextTime job={job} />
            </>
          )}
          {see === "film" && (
            <FilmSide
              logged={logged}
              events={events}
              film={film}
              coats={coatList}
              coat={coat}
              piece={piece}
              combPlace={combPlace?.pieceId === piece.id ? combPlace : null}
              placeWords={inPlan}
              teethMm={teethMm}
              minMm={minMm}
              isWet={wet?.coatId === coat.coat.id}
              system={system}
              onCoat={(id) => {
                setCoatId(id);
                setMinMm(null);
              }}
              onMin={setMinMm}
              onRead={() => setCombPlace(null)}
              record={record}
            />
          )}
          {see === "photo" && (
            <PhotoPanel
              asked={photo}
              piece={piece}
              system={system}
              kept={inspection.photos.filter(({ pieceId: of }) => of === piece.id)}
              approved={approved}
              palette={rehearsed?.palette ?? []}
              onKeep={(looks) => void record({ kind: "photo-read", pieceId: piece.id, when, looks })}
            />
          )}
          {see === "causes" && traced && faultCoatId !== null && (
            <>
              <CausePanel
                fault={fault}
                onFault={setFaultId}
                first={[...new Set(pinned.map((pin) => pin.fault))]}
                coats={coatList}
                coatId={faultCoatId}
                onCoat={setCoatId}
                causes={traced.causes}
                reads={traced.reads}
                answers={traced.answers}
                ask={traced.ask}
                system={system}
                kept={job.nextTime}
                onAnswer={(evidence, u) =>
                  void record({ kind: "answer", fault: fault.id, coatId: faultCoatId, evidence, u })
                }
                onKeep={job.keepNextTime}
                onRepair={(id) => {
                  const made = repairFor(id);
                  if (made) setRepair({ id, coat: made });
                }}
              />
              <NextTime job={job} />
            </>
          )}
        </div>
      </aside>
      {pinAt && (
        <PinDialog
          place={pinAt}
          placeWords={inPlan(pinAt)}
          when={when}
          coats={coatList}
          coatId={coat.coat.id}
          usual={asking?.faults ?? []}
          system={system}
          onClose={() => setPinAt(null)}
          onPin={(pin, photo) => {
            const id = crypto.randomUUID();
            void record(pin, id).then(() =>
              photo ? keepPhoto(photo, { stepId: null, pinId: id }) : undefined,
            );
            if (asking && !inspection.looked.has(lookKey(when, asking.item)))
              void record({ kind: "looked", when, item: asking.item, ok: false });
            setChosen(id);
            if (!asking) setSee("pins");
            setPinAt(null);
            setAsking(null);
          }}
        />
      )}
      {repair && (
        <RepairDialog
          coat={repair.coat}
          planned={job.planWith(repair.coat)}
          words={REPAIRS[repair.id] ?? ""}
          system={system}
          onClose={() => setRepair(null)}
          onTake={() => {
            job.addCoat(repair.coat);
            setRepair(null);
          }}
        />
      )}
    </main>
  );
}
