import { expect, test, type Page } from "@playwright/test";
import { serveLines } from "../../instruments/serve";
import { scaleLine } from "@/core/instruments/scale-line";
import { openCopy, signIn, stage } from "../fixtures/shop";
import { thisShop } from "../fixtures/shops";

/** What no median may reach, ms. */
const BARS = { reading: 150, act: 1000 } as const;
const READINGS = 60;
const ACTS = 30;

const median = (all: readonly number[]) => [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)] ?? NaN;

/** Notes by the machine's clock when an element first shows each text. */
const watch = (page: Page, selector: string): Promise<void> =>
  page.evaluate((of) => {
    const seen: Record<string, number> = {};
    Object.assign(window, { seen });
    const look = () => {
      const text = document.querySelector(of)?.textContent?.trim();
      if (text) seen[text] ??= performance.timeOrigin + performance.now();
    };
    new MutationObserver(look).observe(document.body, {
      subtree: true,
      childList: true,
      characterData: true,
    });
    look();
  }, selector);
const seen = (page: Page): Promise<Record<string, number>> =>
  page.evaluate(() => (window as unknown as { seen: Record<string, number> }).seen);

function tell(name: string, ms: readonly number[], bar: number, peerMs: number): void {
  const [half, worst] = [median(ms), Math.max(...ms)];
  console.log(
    `${name}: ${half.toFixed(0)} ms median of ${ms.length} (longest ${worst.toFixed(0)} ms), ${(half / peerMs).toFixed(1)} times a bare request to the same server (${peerMs.toFixed(1)} ms); bar ${bar} ms, ${half < bar ? "kept" : "MISSED"}`,
  );
  expect(half).toBeLessThan(bar);
}

test("a reading on the screen, and an act on another screen", async ({ page, browser }) => {
  let grams = 0;
  const printedAt = new Map<string, number>();
  const scale = await serveLines(thisShop.scalePort, () => {
    const shown = grams.toFixed(1);
    // The first line that says so; by the same clock as the page.
    if (!printedAt.has(shown)) printedAt.set(shown, performance.timeOrigin + performance.now());
    return scaleLine(grams, grams === 0);
  });
  await signIn(page);
  await openCopy(page, "Bistro table");
  await stage(page, "Pour");
  await page.getByRole("button", { name: /^Start/ }).click();
  await page.waitForURL("**/pours/**");
  await expect(page.getByRole("group", { name: "The scale" })).toContainText(/g to go/);
  const peer: number[] = [];
  for (let n = 0; n < 40; n += 1)
    peer.push(
      await page.evaluate(async () => {
        const asked = performance.now();
        await fetch("/api/alive", { cache: "no-store" });
        return performance.now() - asked;
      }),
    );
  const peerMs = median(peer);
  printedAt.clear();
  await watch(page, '[aria-label="The scale"] .figure');
  for (let n = 1; n <= READINGS; n += 1) {
    grams = 1.1 * n;
    await page.waitForTimeout(150);
  }
  const shown = await seen(page);
  const took = [...printedAt].flatMap(([text, at]) => {
    const there = shown[`${Number(text)}g`];
    return there === undefined ? [] : [there - at];
  });
  expect(took.length).toBeGreaterThan(READINGS * 0.8);
  tell("A scale's reading on the screen", took, BARS.reading, peerMs);
  await scale.close();

  const other = await browser.newContext({ serviceWorkers: "block" });
  const theirs = await other.newPage();
  await signIn(theirs);
  await theirs.goto(page.url());
  await expect(theirs.getByRole("heading", { level: 1 })).toHaveText(/^Weigh/);
  const acts: number[] = [];
  for (let n = 0; n < ACTS; n += 1) {
    // Forth and back.
    const title = n % 2 === 0 ? /^Mix/ : /^Weigh/;
    const arrived = theirs.evaluate(
      (pattern) =>
        new Promise<number>((resolve) => {
          const look = () => {
            if (!new RegExp(pattern).test(document.querySelector("h1")?.textContent ?? "")) return;
            observer.disconnect();
            resolve(performance.timeOrigin + performance.now());
          };
          const observer = new MutationObserver(look);
          observer.observe(document.body, { subtree: true, childList: true, characterData: true });
        }),
      title.source,
    );
    const pressed = await page.evaluate(
      (key) => {
        const at = performance.timeOrigin + performance.now();
        document.body.dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true }));
        return at;
      },
      n % 2 === 0 ? "PageDown" : "PageUp",
    );
    acts.push((await arrived) - pressed);
  }
  tell("An act on the other screen", acts, BARS.act, peerMs);
  await other.close();
});
