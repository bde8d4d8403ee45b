import sharp from "sharp";
import {
  manifestSchema,
  SHOP_FILE_PARTS,
  type CheckedFile,
  type InFile,
  type Manifest,
  type NamedKind,
  type PartName,
} from "@/contracts/shop-file";
import { quoteNumber } from "@/core/money/quote";
import { inTurns } from "../in-turns";
import { firstWrong } from "./readable";
import { unreadable, type OpenZip } from "./read-zip";
import { withIds } from "./selection";

const MOST_PIXELS = 26_000_000;
const PARTS = Object.keys(SHOP_FILE_PARTS) as PartName[];
const ID = "[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}";
const PATTERNS = new Map(
  PARTS.map((part) => [part, new RegExp(`^${part.replace(".", "\\.").replace("*", ID)}$`)]),
);
const PICTURE = new RegExp(`^pictures/(${ID})\\.webp$`);

/** The zip's files of a part, by name. */
export const namesOf = (zip: OpenZip, part: PartName): string[] =>
  zip.names.filter((name) => PATTERNS.get(part)?.test(name)).sort();

function parsed(name: string, text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw unreadable(`${name} is no JSON.`);
  }
}

/** The things of a part, as they stand in the file, with their ids exchanged; each file read and checked as it comes. */
export async function* thingsOf<Part extends PartName>(
  zip: OpenZip,
  part: Part,
  map: ReadonlyMap<string, string> = new Map(),
): AsyncGenerator<InFile<Part>> {
  const schema = SHOP_FILE_PARTS[part];
  for (const name of namesOf(zip, part)) {
    const value = parsed(name, withIds(await zip.json(name), map));
    await inTurns([value], (one) => {
      const read = schema.safeParse(one);
      if (!read.success) throw unreadable(`${name}, ${firstWrong(read.error)}`);
    });
    yield value as InFile<Part>;
  }
}

/** The picture of an id, found to be one that this program could have kept. */
export async function pictureOf(zip: OpenZip, id: string): Promise<Buffer> {
  const bytes = await zip.bytes(`pictures/${id}.webp`);
  const { format } = await sharp(bytes, { limitInputPixels: MOST_PIXELS })
    .metadata()
    .catch(() => ({ format: undefined }));
  if (format !== "webp") throw unreadable(`pictures/${id}.webp is no picture.`);
  return bytes;
}

export type Checked = {
  manifest: Manifest;
  counts: CheckedFile["counts"];
  named: { kind: NamedKind; id: string; name: string; removed: boolean }[];
  /** Ids of rows: they may be taken already where it is read. */
  ids: string[];
};

/**
 * Reads all of a file and finds out whether it can be taken in.
 * @throws Refused with the first thing that is wrong, and where it stands
 */
export async function checkFile(zip: OpenZip): Promise<Checked> {
  const read = manifestSchema.safeParse(parsed("manifest.json", await zip.json("manifest.json")));
  if (!read.success) throw unreadable(read.error.issues[0]?.message ?? "it does not say what it is.");
  const manifest = read.data;
  const named: Checked["named"] = [];
  const ids: string[] = [];
  const counts: Checked["counts"] = {};
  const count = (what: keyof Checked["counts"], many: number) => (counts[what] = (counts[what] ?? 0) + many);
  const put = (...more: { id: string }[]) => more.forEach(({ id }) => ids.push(id));
  // What hangs on something hangs on something of the file: never on what happens to have that id here.
  const hangs: [string, string][] = [];
  const needs = (on: string | null, what: string) => on !== null && hangs.push([on, what]);
  const name = (kind: NamedKind, id: string, words: string, removedAt: string | null) =>
    named.push({ kind, id, name: words, removed: removedAt !== null });
  for await (const shop of thingsOf(zip, "shop.json")) void shop;
  for await (const people of thingsOf(zip, "people.json")) count("people", people.length);
  for await (const pictures of thingsOf(zip, "pictures.json")) {
    count("pictures", pictures.length);
    put(...pictures);
    for (const { id } of pictures) await pictureOf(zip, id);
  }
  for await (const resins of thingsOf(zip, "resins.json")) {
    count("resins", resins.length);
    put(...resins);
    for (const { id, card, removedAt } of resins) name("resin", id, card.name, removedAt);
  }
  for await (const colours of thingsOf(zip, "colours.json")) {
    count("colours", colours.length);
    put(...colours);
    for (const { id, fields, removedAt } of colours) name("colour", id, fields.name, removedAt);
  }
  for await (const recipes of thingsOf(zip, "recipes.json")) {
    count("recipes", recipes.length);
    put(...recipes);
    for (const { id, name: words, removedAt } of recipes) name("recipe", id, words, removedAt);
  }
  for await (const versions of thingsOf(zip, "versions.json")) {
    put(...versions);
    for (const { recipeId, parentId } of versions) {
      needs(recipeId, "the recipe of a version");
      needs(parentId, "the version that another was made from");
    }
  }
  for await (const boards of thingsOf(zip, "boards.json")) {
    put(...boards);
    for (const { versionId, pictureId, number } of boards) {
      needs(versionId, `the recipe version of board ${number}`);
      needs(pictureId, `the picture of board ${number}`);
    }
  }
  for await (const approved of thingsOf(zip, "approved-pictures.json")) {
    put(...approved);
    for (const { versionId, pictureId } of approved) {
      needs(versionId, "the recipe version of an approved picture");
      needs(pictureId, "an approved picture");
    }
  }
  for (const part of ["room.json", "practices.json", "decisions.json"] as const)
    for await (const rows of thingsOf(zip, part)) put(...rows);
  for await (const job of thingsOf(zip, "jobs/*.json")) {
    count("jobs", 1);
    put(job);
    name("job", job.id, job.name, job.removedAt);
    needs(job.recipeVersionId, `the recipe version of “${job.name}”`);
    if (!job.revisions.some(({ revision }) => revision === job.revision))
      throw unreadable(`the job “${job.name}” has no version ${job.revision}.`);
  }
  for await (const pour of thingsOf(zip, "pours/*.json")) {
    count("pours", 1);
    put(pour, ...pour.events);
    needs(pour.jobId, "the job of a pour");
  }
  for await (const quote of thingsOf(zip, "quotes/*.json")) {
    count("quotes", 1);
    put(quote, ...quote.entries);
    needs(quote.jobId, `the job of quote ${quoteNumber(quote)}`);
  }
  for await (const trials of thingsOf(zip, "trials.json")) {
    count("trials", trials.length);
    for (const trial of trials) put(trial, ...trial.entries);
  }
  for await (const items of thingsOf(zip, "shelf.json")) {
    count("shelf items", items.length);
    for (const item of items) {
      put(item);
      name("shelf item", item.id, item.fields.name, item.removedAt);
      for (const lot of item.lots) {
        put(lot, ...lot.entries);
        for (const { pourId } of lot.entries) needs(pourId, `a pour that took “${item.fields.name}”`);
      }
    }
  }
  const strange = zip.names.find((one) => one.startsWith("pictures/") && !PICTURE.test(one));
  if (strange) throw unreadable(`${strange} does not belong in it.`);
  const there = new Set(ids);
  if (there.size < ids.length) throw unreadable("two things in it have one id.");
  const missing = hangs.find(([on]) => !there.has(on));
  if (missing) throw unreadable(`${missing[1]} is missing.`);
  return { manifest, counts, named, ids };
}
