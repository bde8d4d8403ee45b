import { zonesOf } from "../geometry/zones/division";
import type { Piece } from "../geometry/piece";
import { cutText } from "../units/cut-text";
import type { ResinCard } from "../cure/resin-card";
import { PASS } from "../passes/facts";
import { byFilm, covers, placeless, coversZone, isFill, type Coat } from "../schedule/coat";
import { copyName } from "../units/copy-name";
import type { JobDocument } from "./job";
import type { NewId } from "../geometry/new-piece";

/** A coat with ids of its own throughout; what names a colour or a pass of it names the copied one. */
export function copiedCoat(coat: Coat, newId: NewId): Coat {
  const ids = new Map([...coat.colours, ...coat.passes].map(({ id }) => [id, newId()] as const));
  const idOf = (id: string) => ids.get(id) ?? id;
  return {
    ...structuredClone(coat),
    id: newId(),
    colours: coat.colours.map((colour) => ({ ...colour, id: idOf(colour.id) })),
    passes: coat.passes.map((pass) => ({
      ...pass,
      id: idOf(pass.id),
      ...(pass.afterPassId === undefined ? {} : { afterPassId: idOf(pass.afterPassId) }),
      ...(pass.colourIds === undefined ? {} : { colourIds: pass.colourIds.map(idOf) }),
      ...(pass.toolWetWith === undefined ? {} : { toolWetWith: idOf(pass.toolWetWith) }),
    })),
    ...(coat.embeds ? { embeds: coat.embeds.map((embed) => ({ ...embed, id: newId() })) } : {}),
  };
}

/** From this film on a layer heats itself enough to wait for, mm (assumed). */
const THICK_MM = 2;

/** How a layer follows on one that has gelled: inside the recoat window where the card has one, else the next day. */
const onGelled = (card: ResinCard | null) =>
  card?.recoatFromH ? ("recoat" as const) : ("next-day" as const);

/** One more layer like a coat: a thick one waits until the one below has gelled, by its recoat window or the next day. */
export function nextLayer(coat: Coat, card: ResinCard | null, taken: readonly string[], newId: NewId): Coat {
  const soon = coat.startsAfter === "wet" || coat.startsAfter === "late" || coat.startsAfter === "tacky";
  const waits = soon && (isFill(coat) || coat.filmMm >= THICK_MM);
  return {
    ...copiedCoat(coat, newId),
    name: copyName(coat.name, taken),
    startsAfter: waits ? onGelled(card) : coat.startsAfter,
  };
}

type Cooled = { card: ResinCard | null; afterMin: number };

/**
 * A fill poured in equal lifts: what comes before it is done once, before the first; what is done to the cured piece, after the last.
 * @param wait "wet": each on the wet one below; else when that has gelled by its card, and so many minutes after its mix, when it is cool
 */
export function inLifts(coat: Coat, lifts: number, wait: "wet" | Cooled, newId: NewId): Coat[] {
  const { notBefore, ...whole } = byFilm(coat);
  return Array.from({ length: lifts }, (_, index): Coat => {
    const [first, last] = [index === 0, index === lifts - 1];
    const lift = first ? whole : copiedCoat(whole, newId);
    const { embeds, ...plain } = lift;
    const begins = first
      ? { startsAfter: coat.startsAfter, ...(notBefore && { notBefore }), ...(embeds && { embeds }) }
      : wait === "wet"
        ? { startsAfter: "wet" as const }
        : {
            startsAfter: onGelled(wait.card),
            notBefore: { afterMin: wait.afterMin, after: "mixed" as const },
          };
    return {
      ...plain,
      ...begins,
      name: cutText(`${coat.name} ${index + 1} of ${lifts}`, 60),
      coverShare: coat.coverShare / lifts,
      passes: lift.passes.filter(({ kind }) => {
        const { phase } = PASS[kind];
        return phase === "before" ? first : phase === "late" ? last : true;
      }),
    };
  });
}

/** The pieces that a coat goes on, by id; all of the job's where it names none. */
export const piecesOf = (job: JobDocument, coat: Coat): string[] =>
  job.pieces.map((piece) => piece.id).filter((id) => covers(coat, id));

/** The coats that go on a piece, from the ground upward. */
export const buildOf = (job: JobDocument, pieceId: string): Coat[] =>
  job.coats.filter((coat) => covers(coat, pieceId));

/** A coat for some pieces; for all of them it names none, so that pieces added later get it too. */
export function coatFor(job: JobDocument, coat: Coat, pieceIds: readonly string[]): Coat {
  const { pieceIds: _before, ...rest } = coat;
  const all = job.pieces.every((piece) => pieceIds.includes(piece.id));
  return all ? rest : { ...rest, pieceIds: [...pieceIds] };
}

/** A coat with a zone of a piece put in or left out; where it is on all of them it names none. */
export function coatForZone(coat: Coat, piece: Piece, zoneId: string, wanted: boolean): Coat {
  const zones = piece.division ? zonesOf(piece.division) : [];
  const on = zones.filter(({ id }) => (id === zoneId ? wanted : coversZone(coat, piece.id, id)));
  const { [piece.id]: _before, ...others } = coat.zonesByPiece ?? {};
  const { zonesByPiece: _all, ...rest } = coat;
  const named = on.length === zones.length ? others : { ...others, [piece.id]: on.map(({ id }) => id) };
  return Object.keys(named).length > 0 ? { ...rest, zonesByPiece: named } : rest;
}

/** Names of the zones that a coat is for, where it is for some by name. */
export const zoneNamesOf = (coat: Coat, pieces: readonly Piece[]): string[] =>
  pieces.flatMap(({ id, division }) =>
    division && coat.zonesByPiece?.[id]
      ? zonesOf(division)
          .filter((zone) => coversZone(coat, id, zone.id))
          .map(({ name }) => name)
      : [],
  );

/** Gives one piece coats of its own: shared ones are copied for it, behind the shared one, and leave it out; where its colours go stays with them. */
export function withOwnBuild(job: JobDocument, pieceId: string, newId: NewId): JobDocument {
  const name = job.pieces.find((piece) => piece.id === pieceId)?.name ?? "";
  const colourOf = new Map<string, string>();
  const coats = job.coats.flatMap((coat) => {
    const on = piecesOf(job, coat);
    if (!on.includes(pieceId) || on.length < 2) return [coat];
    const copied = {
      ...byFilm(copiedCoat(coat, newId)),
      name: cutText(`${coat.name}, ${name}`, 80),
      pieceIds: [pieceId],
    };
    coat.colours.forEach(({ id }, n) => colourOf.set(id, copied.colours[n]?.id ?? id));
    return [
      coatFor(
        job,
        coat,
        on.filter((id) => id !== pieceId),
      ),
      copied,
    ];
  });
  return {
    ...job,
    coats,
    pieces: job.pieces.map((piece) =>
      piece.id === pieceId && piece.weights
        ? {
            ...piece,
            weights: piece.weights.map((weight) => ({
              ...weight,
              colourId: colourOf.get(weight.colourId) ?? weight.colourId,
            })),
          }
        : piece,
    ),
  };
}

/** Lays on one piece just the coats, and films, that lie on another. */
export function withBuildOf(job: JobDocument, fromId: string, toId: string): JobDocument {
  return {
    ...job,
    coats: job.coats.map((coat) => {
      const on = new Set(piecesOf(job, coat));
      if (on.has(fromId)) on.add(toId);
      else on.delete(toId);
      const next = coatFor(
        job,
        coat,
        job.pieces.map((piece) => piece.id).filter((id) => on.has(id)),
      );
      if (!coat.filmByPieceMm) return next;
      const { [toId]: _before, ...films } = coat.filmByPieceMm;
      const film = coat.filmByPieceMm[fromId];
      return { ...next, filmByPieceMm: film === undefined ? films : { ...films, [toId]: film } };
    }),
  };
}

/** The coats of another build in place of a job's own; they go on all of its pieces. */
export function withBuild(job: JobDocument, coats: readonly Coat[], newId: NewId): JobDocument {
  return {
    ...job,
    coats: coats.map((coat) => placeless(byFilm(copiedCoat(coat, newId)))),
  };
}
