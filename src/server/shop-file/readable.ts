import { z } from "zod";
import { SHOP_FILE_PARTS, type PartName } from "@/contracts/shop-file";
import type { OutOfRows } from "./rows";

/** A row that the program cannot read any more, as it is stored. */
export type Unreadable = { file: string; why: string; row: unknown };

/** What is wrong first, and where: "12.document.coats: …". */
export function firstWrong({ issues }: z.ZodError): string {
  const [issue] = issues;
  return `${issue?.path.join(".") ?? ""}: ${issue?.message ?? "cannot be read"}`;
}

type Revision = { revision: number; undoRevision: number | null; redoRevision: number | null };
type Job = { revision: number; revisions: Revision[] };

/** A job without old versions that nobody can read; undo does not lead to them any more. */
function withoutUnreadable(job: Job, name: string, put: (row: Unreadable) => void): Job {
  const of = SHOP_FILE_PARTS["jobs/*.json"].shape.revisions.element;
  const kept = job.revisions.filter((row) => {
    const read = of.safeParse(row);
    if (!read.success && row.revision !== job.revision) put({ file: name, why: firstWrong(read.error), row });
    return read.success || row.revision === job.revision;
  });
  const there = new Set(kept.map(({ revision }) => revision));
  const leads = (to: number | null) => (to !== null && there.has(to) ? to : null);
  return {
    ...job,
    revisions: kept.map((row) => ({
      ...row,
      undoRevision: leads(row.undoRevision),
      redoRevision: leads(row.redoRevision),
    })),
  };
}

/** A file's value with what can be read of it; null where nothing is left. What cannot is put aside. */
export function readableOf({ part, name, value }: OutOfRows, put: (row: Unreadable) => void): unknown {
  const schema: z.ZodType = SHOP_FILE_PARTS[part];
  if (schema instanceof z.ZodArray && Array.isArray(value))
    return value.filter((row) => {
      const read = (schema.element as z.ZodType).safeParse(row);
      if (!read.success) put({ file: name, why: firstWrong(read.error), row });
      return read.success;
    });
  const whole = part === "jobs/*.json" ? withoutUnreadable(value as Job, name, put) : value;
  const read = schema.safeParse(whole);
  if (read.success) return whole;
  put({ file: name, why: firstWrong(read.error), row: value });
  return null;
}

/** The files' schemas, as they are read by. */
export const schemasOfParts = (): [string, unknown][] =>
  (Object.keys(SHOP_FILE_PARTS) as PartName[]).map((part) => [
    `schemas/${part.replace("/*", "").replace(".json", "")}.schema.json`,
    z.toJSONSchema(SHOP_FILE_PARTS[part], { io: "input", unrepresentable: "any" }),
  ]);
