import { readdir, readFile, rename, writeFile } from "node:fs/promises";
import { join } from "node:path";
import type { Nightly } from "@/contracts/shop-file";
import { Refused } from "./refused";

const MADE = /^gaugebeam-(\d{4}-\d\d-\d\d)\.sql$/;
const HOUR = /^([01]\d|2[0-3]):[0-5]\d$/;

/** When the server makes its backup each night, and of which day the last one is; null where it was not started by ./start. */
export async function nightly(): Promise<Nightly | null> {
  const folder = process.env["GAUGEBEAM_FILES"];
  if (!folder) return null;
  const at = (await readFile(join(folder, "nightly"), "utf8").catch(() => "off")).trim();
  const made = await readdir(join(folder, "backups")).catch((): string[] => []);
  const days = made.flatMap((name) => MADE.exec(name)?.[1] ?? []).sort();
  return { at: HOUR.test(at) ? at : null, last: days.at(-1) ?? null, kept: days.length };
}

/** Sets the hour by the server's clock, or ends it. */
export async function setNightlyHour(at: string | null): Promise<void> {
  const folder = process.env["GAUGEBEAM_FILES"];
  if (!folder)
    throw new Refused({
      code: "invalid",
      message: "This server was not started by ./start: it makes no backups.",
    });
  const path = join(folder, "nightly");
  await writeFile(`${path}.new`, `${at ?? "off"}\n`);
  await rename(`${path}.new`, path);
}
