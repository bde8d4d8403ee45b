import type { CutOut, Edge, EdgeName, Piece } from "@/core/geometry/piece";
import { edgeOf } from "@/core/geometry/piece";
import type { CoatColour } from "@/core/batch/coat-colour";
import type { JobDocument } from "@/core/job/job";
import { keepable } from "@/core/schedule/amounts";
import type { Coat } from "@/core/schedule/coat";
import type { Pass } from "@/core/schedule/pass";

/** Small edits of a job document; each returns a new one and leaves the rest untouched. */
type Edit = (document: JobDocument) => JobDocument;

export const newId = (): string => crypto.randomUUID();

const inList = <Item extends { id: string }>(
  list: readonly Item[],
  id: string,
  edit: (item: Item) => Item,
): Item[] => list.map((item) => (item.id === id ? edit(item) : item));

/** Moves an item of a list one place towards the start (−1) or the end (+1). */
export function moved<Item extends { id: string }>(list: readonly Item[], id: string, by: -1 | 1): Item[] {
  const from = list.findIndex((item) => item.id === id);
  const to = from + by;
  if (from < 0 || to < 0 || to >= list.length) return [...list];
  const next = [...list];
  const [item] = next.splice(from, 1);
  next.splice(to, 0, item as Item);
  return next;
}

export const editPiece =
  (pieceId: string, edit: (piece: Piece) => Piece): Edit =>
  (document) => ({ ...document, pieces: inList(document.pieces, pieceId, edit) });

export const editEdge = (pieceId: string, name: EdgeName, change: Partial<Edge>): Edit =>
  editPiece(pieceId, (piece) => ({
    ...piece,
    edges: { ...piece.edges, [name]: { ...edgeOf(piece, name), ...change } },
  }));

export const editCutOut = (pieceId: string, cutOutId: string, edit: (cutOut: CutOut) => CutOut): Edit =>
  editPiece(pieceId, (piece) => ({ ...piece, cutOuts: inList(piece.cutOuts, cutOutId, edit) }));

export const editCoat =
  (coatId: string, edit: (coat: Coat) => Coat): Edit =>
  (document) => ({ ...document, coats: inList(document.coats, coatId, edit) });

/** A coat edited from how it came out takes the place of what is kept of it. */
export const giveCoat = (coat: Coat): Edit => editCoat(coat.id, () => keepable(coat));

export const editColour = (
  coatId: string,
  colourId: string,
  change: Partial<CoatColour> | ((before: CoatColour) => CoatColour),
): Edit =>
  editCoat(coatId, (coat) => ({
    ...coat,
    colours: inList(coat.colours, colourId, (colour) =>
      typeof change === "function" ? change(colour) : { ...colour, ...change },
    ),
  }));

export const editPass = (
  coatId: string,
  passId: string,
  change: Partial<Pass> | ((before: Pass) => Pass),
): Edit =>
  editCoat(coatId, (coat) => ({
    ...coat,
    passes: inList(coat.passes, passId, (pass) =>
      typeof change === "function" ? change(pass) : { ...pass, ...change },
    ),
  }));
