import { randomUUID } from "node:crypto";
import { execFileSync } from "node:child_process";
import { mkdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { ACTS } from "@/app/api/act/registry";
import { jobDocumentSchema } from "@/contracts/job-document";
import { anyDocument } from "@/contracts/testing/any-of";
import { perform } from "./acts";
import type { AsideTask } from "./aside";
import type { Database } from "./database";
import { Refused } from "./refused";
import { jobsOf } from "./repositories/jobs";
import { poursOf } from "./repositories/pours";
import { testDatabase, testShop, type TestShop } from "./testing/test-shop";

let db: Database;
let shop: TestShop;
beforeAll(async () => {
  db = await testDatabase();
  shop = await testShop(db);
  mkdirSync("var", { recursive: true });
  process.env["GAUGEBEAM_ASIDE_MS"] = "6000";
  execFileSync("node", ["scripts/build-aside.mjs", THREAD]);
  process.env["GAUGEBEAM_ASIDE"] = THREAD;
}, 60_000);
afterAll(async () => {
  await (await import("./aside")).endAsides();
  rmSync(THREAD, { force: true });
  await db.sequelize.close();
});

/** Within the project, so that the thread finds its packages. */
const THREAD = join(process.cwd(), "var", "aside-fuzz.mjs");
const inThread = async (name: string, input: unknown): Promise<unknown> =>
  (await import("./aside")).aside(
    shop.owner,
    { name, road: "sheet" } satisfies AsideTask<unknown, unknown>,
    input,
  );
/** A template in full scale of a piece of a hundred metres is more than is printed: that is told. */
const orTooMuch = (sheet: Promise<unknown>) =>
  sheet.catch((failure: unknown) => {
    if (!(failure instanceof Refused) || failure.error.code !== "unreadable") throw failure;
  });
const DOCUMENTS = Number(process.env["GAUGEBEAM_FUZZ"] ?? 40);
const SHEETS = ["batch.csv", "batch.json", "batch.pdf", "run.pdf", "piece.pdf", "veins.pdf", "zones.pdf"];

test(
  "what the contract allows is saved, opened, listed, poured, bought for and printed by every page's server side",
  async () => {
    const jobs = jobsOf(db, shop.owner);
    const pours = poursOf(db, shop.owner);
    const act = async (name: string, input: unknown) => {
      const result = await perform(ACTS.get(name)!, shop.owner, input);
      if (!result.ok) throw new Error(`${name}: ${result.error.message} ${result.error.field ?? ""}`);
      return result.value as Record<string, never>;
    };
    for (let seed = 5000; seed < 5000 + DOCUMENTS; seed += 1) {
      try {
        const document = jobDocumentSchema.parse(anyDocument(jobDocumentSchema, seed, 3));
        const fields = { name: `Seed ${seed}`, client: "", status: "planning", dueOn: null };
        const { jobId } = await act("job.create", { fields });
        await act("job.save", { jobId, revision: 1, document });
        const opened = await jobs.open(jobId!);
        // Through JSON and the database nothing moved.
        expect(opened.document).toEqual(JSON.parse(JSON.stringify(document)));
        const pourId = randomUUID();
        const at = new Date().toISOString();
        await act("pour.start", { pourId, jobId, revision: 2, at });
        await act("pour.record", { pourId, events: [{ id: randomUUID(), at, kind: "tick", stepId: "x" }] });
        const { pours: own } = await pours.ofJob(jobId!);
        expect(own).toHaveLength(1);
        const head = own[0]!;
        const shown = { head, events: [], units: "us", planText: await pours.planText(pourId) };
        expect(await inThread("wet-now", shown)).toEqual({ needsPlan: false, wet: null });
        await inThread("shopping", { documents: [opened.document], cards: shop.cards });
        const pieceId = document.pieces[0]?.id ?? null;
        for (const sheet of seed % 4 === 0 ? SHEETS : SHEETS.slice(0, 2))
          await orTooMuch(
            inThread("sheet", {
              sheet,
              jobName: fields.name,
              document: opened.document,
              cards: shop.cards,
              units: seed % 2 === 0 ? "us" : "metric",
              paper: null,
              pieceId,
              picture: null,
            }),
          );
      } catch (failure) {
        throw new Error(`Seed ${seed}: ${(failure as Error).stack}`);
      }
    }
    expect((await jobs.list()).length).toBe(DOCUMENTS + 1);
    const dated = await jobs.dated("2026-11-03");
    expect(dated.unreadable).toEqual([]);
  },
  60_000 + DOCUMENTS * 3000,
);
