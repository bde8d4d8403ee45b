import type { Embed } from "../batch/embeds";
import type { Ground } from "../batch/grounds";
import { keepable } from "../schedule/amounts";
import { byFilm, filmOn, placeless, type Coat } from "../schedule/coat";
import { buildOf } from "../job/builds";
import type { PlannedCoat } from "../plan/timed";
import type { JobDocument, RecipeReference } from "../job/job";
import { emptyJob } from "../job/new-job";
import { newPiece, type NewId } from "../geometry/new-piece";
import { zonesOf, type Zone } from "../geometry/zones/division";
import { laidOut, layoutOf, type LaidOut, type RecipeLayout } from "./layout";
import { MM_PER_FOOT } from "../units/constants";
import type { UnitSystem } from "../units/dimension";

/** A coat without a size: no pieces, and what is embedded told by area. Zones are those of the recipe's layout. */
export type RecipeCoat = Omit<Coat, "pieceIds" | "zonesByPiece" | "filmByPieceMm" | "given" | "batches"> & {
  /** Zones that it goes on; all when absent. */
  zoneIds?: string[];
  /** Film on single zones where it differs from `filmMm`. */
  filmByZoneMm?: Record<string, number>;
};

/** A build without a size: coats in their order with films, shares, doses and passes; on what; towards which colour. */
export type RecipeDocument = {
  format: 1;
  ground: Ground;
  /** From the ground upward. Their ids, and those of their colours, stay the same from version to version. */
  coats: RecipeCoat[];
  target?: NonNullable<JobDocument["target"]>;
  /** Zones, and where colours go. */
  layout?: RecipeLayout;
  notes: string;
};

/** Side of a usual sample board (common practice, no source), mm: 30 cm, or a foot. */
export const usualBoardMm = (system: UnitSystem): number => (system === "us" ? MM_PER_FOOT : 300);

/** The piece whose coats a job's recipe is kept of: the one that was named while it is there, else the first. */
export const keptPieceId = ({ pieces, recipe }: JobDocument): string | null =>
  (pieces.find(({ id }) => id === recipe?.pieceId) ?? pieces[0])?.id ?? null;

/**
 * The build of one piece as a recipe. Films are those on that piece; the notes of a job are about the job and stay there.
 * @param planned the coats of the job with their areas, for what is embedded; a coat that could not be counted keeps its mass as it is
 * @param notes of the recipe
 */
export function recipeOf(
  job: JobDocument,
  planned: readonly Pick<PlannedCoat, "coat" | "coveredM2">[],
  pieceId: string | null = keptPieceId(job),
  notes = "",
): RecipeDocument {
  const known = new Map(planned.map((coat) => [coat.coat.id, coat]));
  const coats = pieceId === null ? job.coats : buildOf(job, pieceId);
  const piece = job.pieces.find(({ id }) => id === pieceId);
  const colourIds = new Set(coats.flatMap(({ colours }) => colours.map(({ id }) => id)));
  const layout = piece && layoutOf(piece, colourIds);
  return {
    format: 1,
    ground: (pieceId !== null && job.groundByPiece?.[pieceId]) || job.ground,
    coats: coats.map((typed): RecipeCoat => {
      // Given amounts are those of this size: a recipe keeps the film and the shares that followed.
      const { coat = typed, coveredM2: areaM2 = 0 } = known.get(typed.id) ?? {};
      return {
        ...placeless(byFilm(keepable(coat))),
        ...(piece?.division && zonedFields(coat, piece.id, zonesOf(piece.division))),
        filmMm: pieceId === null ? coat.filmMm : filmOn(coat, pieceId),
        ...(coat.embeds
          ? {
              embeds: (piece?.division ? coat : placeless(coat)).embeds?.map((embed) =>
                embedByArea(embed, areaM2),
              ),
            }
          : {}),
      };
    }),
    ...(job.target ? { target: job.target } : {}),
    ...(layout ? { layout } : {}),
    notes,
  };
}

/** What of a coat is said of the zones of the piece that is kept. */
function zonedFields(
  coat: Coat,
  pieceId: string,
  zones: readonly Zone[],
): Pick<RecipeCoat, "zoneIds" | "filmByZoneMm" | "colours" | "passes"> {
  const known = new Set(zones.map(({ id }) => id));
  const zoneIds = coat.zonesByPiece?.[pieceId];
  const films = Object.entries(coat.filmByPieceMm ?? {}).filter(([id]) => known.has(id));
  return {
    ...(zoneIds && { zoneIds: [...zoneIds] }),
    ...(films.length > 0 && { filmByZoneMm: Object.fromEntries(films) }),
    colours: coat.colours.map(({ placeIds, ...colour }) =>
      placeIds && !placeIds.includes(pieceId)
        ? { ...colour, placeIds: placeIds.filter((id) => known.has(id)) }
        : colour,
    ),
    passes: coat.passes.map(({ zoneIds: wanted, ...pass }) => {
      const here = wanted?.filter((id) => known.has(id)) ?? [];
      return here.length > 0 ? { ...pass, zoneIds: here } : pass;
    }),
  };
}

/** A recipe's coat in a job: its zones are those that the layout came to on the job's pieces. */
function coatOnPieces({ zoneIds, filmByZoneMm, ...recipe }: RecipeCoat, laid: readonly LaidOut[]): Coat {
  const coat: Coat = structuredClone(recipe);
  const everywhere = (ids: readonly string[]) =>
    laid.flatMap(({ zones }) => ids.flatMap((id) => zones.get(id) ?? []));
  const films = Object.entries(filmByZoneMm ?? {}).flatMap(([id, filmMm]) =>
    everywhere([id]).map((zoneId): [string, number] => [zoneId, filmMm]),
  );
  const divided = laid.filter(({ zones }) => zones.size > 0);
  return {
    ...coat,
    ...(zoneIds && {
      zonesByPiece: Object.fromEntries(
        divided.map(({ piece, zones }) => [piece.id, zoneIds.flatMap((id) => zones.get(id) ?? [])]),
      ),
    }),
    ...(films.length > 0 && { filmByPieceMm: Object.fromEntries(films) }),
    colours: coat.colours.map(({ placeIds, ...colour }) =>
      placeIds && divided.length > 0 ? { ...colour, placeIds: everywhere(placeIds) } : colour,
    ),
    passes: coat.passes.map(({ zoneIds: wanted, ...pass }) =>
      wanted && divided.length > 0 ? { ...pass, zoneIds: everywhere(wanted) } : pass,
    ),
    ...(coat.embeds && {
      embeds: coat.embeds.map((embed) =>
        embed.single?.zoneIds
          ? { ...embed, single: { ...embed.single, zoneIds: everywhere(embed.single.zoneIds) } }
          : embed,
      ),
    }),
  };
}

/** An embed as a recipe keeps it, by area: those that are counted too. */
function embedByArea(embed: Embed, areaM2: number): Embed {
  if (!(areaM2 > 0)) return embed;
  const { single } = embed;
  if (single?.many.by === "number")
    return { ...embed, single: { ...single, many: { by: "area", perM2: single.many.count / areaM2 } } };
  return single || embed.gPerM2 !== undefined ? embed : { ...embed, massG: 0, gPerM2: embed.massG / areaM2 };
}

/** A job's build replaced by a recipe's: one mix serves all of its pieces. What it is called from stays with it. */
export function withRecipe(
  job: JobDocument,
  recipe: RecipeDocument,
  reference: RecipeReference,
  newId: NewId,
): JobDocument {
  const { target: _before, ...rest } = job;
  const target = recipe.target ?? job.target;
  const { layout } = recipe;
  const laid = job.pieces.map((piece): LaidOut =>
    layout ? laidOut(piece, layout, newId) : { piece, zones: new Map() },
  );
  return {
    ...rest,
    pieces: laid.map(({ piece }) => piece),
    coats: recipe.coats.map((coat) => coatOnPieces(coat, laid)),
    recipe: reference,
    ...(target ? { target } : {}),
  };
}

/** A job that is this recipe on a first piece: a run of that size, or none yet. */
export function jobFromRecipe(
  recipe: RecipeDocument,
  reference: RecipeReference,
  size: { kind: "straight" | "sample"; lengthMm: number; depthMm: number } | null,
  newId: NewId,
): JobDocument {
  const job: JobDocument = { ...emptyJob(), ground: recipe.ground, notes: recipe.notes };
  const pieces = size
    ? [
        {
          ...newPiece(size.kind, size.kind === "sample" ? "Sample board" : "Run", newId),
          shape: { kind: size.kind, lengthMm: size.lengthMm, depthMm: size.depthMm },
        },
      ]
    : [];
  return withRecipe({ ...job, pieces }, recipe, reference, newId);
}
