"use client";

import { useMemo } from "react";
import { causesOf } from "@/core/inspect/causes";
import { evidenceIn, knownOf } from "@/core/inspect/evidence";
import type { Fault } from "@/core/inspect/fault-table";
import { filmOnPiece, shareAt, type FilmOnPiece } from "@/core/inspect/film-on-piece";
import { answerKey, type Pin } from "@/core/inspect/inspection";
import { loggedCoat, type LoggedPour } from "@/core/inspect/logged-pour";
import { repairCoat } from "@/core/inspect/repair";
import { liesOnTop, type Coat } from "@/core/schedule/coat";

/** The film of a coat on a piece, by the comb; null where there is none to map. */
function mapOf(
  { plan, outcomes, inspection, document }: LoggedPour,
  coatId: string | null,
  pieceId: string | null,
  minMm: number | null,
  teethMm: readonly number[],
): FilmOnPiece | null {
  const planned = plan.coats.find(({ coat }) => coat.id === coatId);
  const piece = plan.pieces.find(({ id }) => id === pieceId);
  const outcome = outcomes.find((one) => one.coatId === coatId);
  if (!planned || !piece || !outcome || !liesOnTop(planned.coat)) return null;
  const { combs } = inspection;
  return filmOnPiece({ plan, planned, piece, outcome, combs, minMm, teethMm, factors: document.factors });
}

/** The film map that is looked at; null while none is. */
export const useFilmMap = (
  logged: LoggedPour | null,
  coatId: string | null,
  pieceId: string | null,
  minMm: number | null,
  teethMm: readonly number[],
): FilmOnPiece | null =>
  useMemo(
    () => logged && mapOf(logged, coatId, pieceId, minMm, teethMm),
    [logged, coatId, pieceId, minMm, teethMm],
  );

/** Pins of a fault that stand or were mended; not those that were none. */
const pinsOf = ({ inspection }: LoggedPour, fault: Fault): Pin[] =>
  inspection.pins.filter((pin) => pin.fault === fault.id && pin.end?.how !== "mistaken");

/** What is most likely behind a fault of a coat; null while nobody asks. And the coat that a repair of it comes to. */
export function useTraced(
  logged: LoggedPour | null,
  fault: Fault,
  coatId: string | null,
  teethMm: readonly number[],
) {
  const traced = useMemo(() => {
    if (!logged || coatId === null) return null;
    const pin = pinsOf(logged, fault).findLast((one) => one.coatId === coatId);
    const film = pin ? mapOf(logged, coatId, pin.place.pieceId, null, teethMm) : null;
    const share = film && pin ? shareAt(film, { x: pin.place.xMm, y: pin.place.yMm }) : null;
    const log = loggedCoat(logged, coatId, share);
    const reads = log ? evidenceIn(log) : [];
    const answers = new Map<string, number | null>();
    for (const { id } of fault.causes.flatMap(({ evidence }) => evidence)) {
      const u = logged.inspection.answers.get(answerKey({ fault: fault.id, coatId, evidence: id }));
      if (u !== undefined) answers.set(id, u);
    }
    const asked = new Set([...answers].filter(([, u]) => u === null).map(([id]) => id));
    return { reads, answers, ...causesOf(fault, knownOf(reads, answers), asked) };
  }, [logged, fault, coatId, teethMm]);
  const repairFor = (repair: string): Coat | null => {
    const of = logged?.plan.coats.find(({ coat }) => coat.id === coatId);
    if (!logged || !of) return null;
    return repairCoat({
      repair,
      fault: fault.name,
      coat: of.coat,
      pins: pinsOf(logged, fault),
      plan: logged.plan,
      newId: () => crypto.randomUUID(),
    });
  };
  return { traced, repairFor };
}
