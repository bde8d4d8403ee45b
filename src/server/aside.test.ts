import { execFileSync } from "node:child_process";
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { derivePlan } from "@/core/plan/derive-plan";
import { sampleJob } from "@/core/job/sample-job";
import { starterCards } from "@/core/cure/starter-cards";
import { shoppingFor, type Shopping } from "@/core/shop/shopping";

let folder: string;
beforeAll(() => {
  mkdirSync("var", { recursive: true });
  // Within the project, so that the thread finds its packages.
  folder = mkdtempSync(join(process.cwd(), "var", "aside-"));
});
afterEach(async () => {
  await (await import("./aside")).endAsides();
  jest.resetModules();
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const shop = (shopId: string) => ({ shopId });

test("the bundled thread gives what the same call gives here", async () => {
  const file = join(folder, "aside.mjs");
  execFileSync("node", ["scripts/build-aside.mjs", file]);
  process.env["GAUGEBEAM_ASIDE"] = file;
  const { aside, asideTask } = await import("./aside");
  let made = 0;
  const newId = () => `00000000-0000-4000-8000-${String((made += 1)).padStart(12, "0")}`;
  const cards = starterCards(newId);
  const documents = [sampleJob(cards, newId)];
  const answer = await aside(shop("a"), asideTask<unknown, Shopping>("page", "shopping"), {
    documents,
    cards,
  });
  expect(answer).toEqual(shoppingFor(documents.map((document) => derivePlan(document, cards))));
  await expect(aside(shop("a"), asideTask("sheet", "nothing"), null)).rejects.toThrow("no task nothing");
}, 60_000);

test("work that does not end is ended, and no other shop waits for it", async () => {
  const file = join(folder, "slow.mjs");
  writeFileSync(
    file,
    `export default ({ name, input }) => { if (name === "spin") for (;;); return input; };`,
  );
  process.env["GAUGEBEAM_ASIDE"] = file;
  process.env["GAUGEBEAM_ASIDE_MS"] = "1500";
  const { aside, asideTask } = await import("./aside");
  const [spin, echo] = [asideTask<null, null>("sheet", "spin"), asideTask<string, string>("sheet", "echo")];
  const order: string[] = [];
  const spun = aside(shop("a"), spin, null).catch((failure: Error) => {
    order.push("spun");
    return failure.message;
  });
  const again = aside(shop("a"), spin, null).catch((failure: Error) => failure.message);
  expect(await aside(shop("b"), echo, "here")).toBe("here");
  order.push("other");
  expect(await spun).toMatch(/more than the server works out/);
  expect(await again).toMatch(/more than the server works out/);
  expect(order).toEqual(["other", "spun"]);
  expect(await aside(shop("a"), echo, "again")).toBe("again");
}, 30_000);
