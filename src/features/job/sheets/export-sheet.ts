import { z } from "zod";
import type { Bench } from "@/contracts/bench";
import type { Person } from "@/contracts/people";
import { aside, asideTask } from "@/server/aside";
import { notFound } from "@/server/refused";
import { openJob, pictureBytes } from "../queries";
import type { SheetFile, SheetKind, SheetRequest } from "./make-sheet";

const sheetTask = asideTask<SheetRequest, SheetFile | null>("sheet", "sheet");

/** Sheets with hours on them: these hang on the other work of the shop. */
const HAS_HOURS: readonly SheetKind[] = ["run.pdf", "batch.pdf", "batch.csv", "batch.json"];

/** A sheet of a job as a file, computed from the saved document. */
export async function exportSheet(
  person: Person,
  jobId: string,
  sheet: SheetKind,
  asked: URLSearchParams,
  /** The other work of the shop, for sheets with hours on them. */
  bench: () => Promise<Bench>,
): Promise<SheetFile> {
  const { job, cards } = await openJob(person, jobId);
  const pictureId = z.uuid().safeParse(asked.get("picture"));
  const hours = HAS_HOURS.includes(sheet) && job.document.work.startOn !== undefined;
  const file = await aside(person, sheetTask, {
    sheet,
    jobName: job.name,
    document: job.document,
    cards,
    units: person.units,
    clock: person.clock,
    paper: asked.get("paper"),
    pieceId: asked.get("piece"),
    among: hours ? { jobId, bench: await bench(), now: Date.now(), timeZone: person.timeZone } : null,
    picture: sheet === "client.pdf" && pictureId.success ? await pictureBytes(person, pictureId.data) : null,
  });
  if (!file) throw notFound("piece or picture");
  return file;
}
