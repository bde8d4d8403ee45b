import { statfs } from "node:fs/promises";
import { Refused } from "./refused";

/** With less room than this on the database's disk nothing is written any more: what is left is for MariaDB to end its work with. */
const LEAST_FREE_MB = 64;
/** How long one look at the disk is believed, ms. */
const BELIEVED_MS = 2000;

let looked = { atMs: -Infinity, freeMb: Infinity };

async function freeMb(folder: string): Promise<number> {
  const now = Date.now();
  if (now - looked.atMs > BELIEVED_MS) {
    const { bavail, bsize } = await statfs(folder);
    looked = { atMs: now, freeMb: (bavail * bsize) / 1e6 };
  }
  return looked.freeMb;
}

export const diskFull = () =>
  new Refused({
    code: "full",
    message:
      "The disk of the server is full. Nothing is lost: what you typed is kept in this browser and goes out as soon as there is room again.",
  });

/**
 * Before a write: whether there is room for it. Where the database's folder is not on this machine, MariaDB's own word is waited for.
 * @throws Refused in words
 */
export async function refuseOnFullDisk(): Promise<void> {
  const folder = process.env["GAUGEBEAM_DB_FOLDER"];
  if (!folder) return;
  const least = Number(process.env["GAUGEBEAM_LEAST_FREE_MB"] ?? LEAST_FREE_MB);
  if ((await freeMb(folder)) < least) throw diskFull();
}

/** What MariaDB says when it cannot write: disk full, table file full, error on write, no space left. */
const FULL = new Set(["ER_DISK_FULL", "ER_RECORD_FILE_FULL", "ER_ERROR_ON_WRITE", "ER_IO_WRITE_ERROR"]);

export function isDiskFull(failure: unknown): boolean {
  const { parent, code } = failure as { parent?: { code?: string; message?: string }; code?: string };
  return FULL.has(String(parent?.code ?? code)) || /errno: 28|No space left/i.test(parent?.message ?? "");
}
