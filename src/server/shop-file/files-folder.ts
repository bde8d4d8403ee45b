import { mkdir, mkdtemp, readdir, rm, stat } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";

/** Files on their way in or out are kept for so long, ms. */
const KEPT_MS = 3_600_000;

let made: string | null = null;

/** A folder of our own: beside the data, or a new one where nobody said where these are. */
async function ownFolder(): Promise<string> {
  const beside = process.env["GAUGEBEAM_FILES"];
  if (!beside) return mkdtemp(join(tmpdir(), "gaugebeam-files-"));
  const folder = join(beside, "files");
  await mkdir(folder, { recursive: true, mode: 0o700 });
  return folder;
}

/** Where files lie on their way in and out; what nobody fetched is taken away. */
export async function filesFolder(): Promise<string> {
  const folder = (made ??= await ownFolder());
  for (const name of await readdir(folder)) {
    const path = join(folder, name);
    const age = Date.now() - ((await stat(path).catch(() => null))?.mtimeMs ?? Date.now());
    if (age > KEPT_MS) await rm(path, { force: true });
  }
  return folder;
}
