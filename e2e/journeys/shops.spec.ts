import { readdirSync, readFileSync } from "node:fs";
import { join, relative } from "node:path";
import { expect, test } from "@playwright/test";
import { MARK } from "../fixtures/mark";
import { signIn } from "../fixtures/shop";

type Rows = Record<
  "jobId" | "quoteId" | "pourId" | "cardId" | "personId" | "pictureId" | "recipeId" | "versionId",
  string
>;
const theirs = JSON.parse(readFileSync("var/check/other-shop.json", "utf8")) as Rows;

/** Every address of the app, read from its folders: a new route is tested without anyone thinking of it. */
function routes(folder = "src/app"): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return routes(path);
    if (!/^(page|route)\.tsx?$/.test(entry.name)) return [];
    const parts = relative("src/app", folder)
      .split("/")
      .filter((part) => part !== "" && !part.startsWith("("));
    return [`/${parts.join("/")}`];
  });
}

const ROW_OF: Record<string, string | undefined> = {
  "[jobId]": theirs.jobId,
  "[quoteId]": theirs.quoteId,
  "[pourId]": theirs.pourId,
  "[cardId]": theirs.cardId,
  "[pictureId]": theirs.pictureId,
  "[recipeId]": theirs.recipeId,
  "[versionId]": theirs.versionId,
  "[name]": "job.save",
};

function pointed(route: string): string {
  return route.replace(/\[[^\]]+\]/g, (part) => {
    const row = ROW_OF[part];
    if (!row) throw new Error(`No row of the other shop for ${part} in ${route}: add one`);
    return row;
  });
}

test("no route shows a row of another shop", async ({ page }) => {
  const all = routes();
  expect(all.length).toBeGreaterThan(15);
  await signIn(page);
  for (const route of all) {
    const response = await page.request.get(pointed(route), { maxRedirects: 5 });
    const body = await response.text();
    expect([route, body.includes(MARK)]).toEqual([route, false]);
    if (/\[(jobId|quoteId|pourId|cardId|pictureId|recipeId|versionId)\]/.test(route))
      expect([route, response.status()]).toEqual([route, 404]);
  }
});

/** What anybody may have: the door, the program that works without the server, and its two pages that ask for nothing. */
const OPEN = ["/sign-in", "/service-worker.js", "/kept", "/pours/here"];

test("without signing in every route but the door leads to the door", async ({ request }) => {
  for (const route of routes()) {
    if (OPEN.includes(route) || route.startsWith("/api/")) continue;
    const response = await request.get(pointed(route), { maxRedirects: 0 });
    const led =
      response.status() === 401 ||
      ((response.status() === 307 || response.status() === 303) &&
        /\/(sign-in|first-run)$/.test(response.headers()["location"] ?? ""));
    expect([route, response.status(), led]).toEqual([route, response.status(), true]);
  }
});

test("the other shop signs in and sees its own, and nothing of the demo shop", async ({ page }) => {
  await signIn(page, { email: "owner@elsewhere.example", password: "other-shop-secret" });
  await expect(page.getByRole("link", { name: `Job ${MARK}` })).toBeVisible();
  await expect(page.getByText("Serving counter")).toHaveCount(0);
  await page.goto("/shop");
  await expect(page.getByText("Ines Calder")).toHaveCount(0);
});

test("writes from elsewhere are refused, and every answer carries the headers that keep the page closed", async ({
  page,
  baseURL,
}) => {
  await signIn(page);
  const url = "/api/act/job.create";
  const data = JSON.stringify({ fields: { name: "forged", client: "", status: "planning", dueOn: null } });
  const json = { "content-type": "application/json" };
  for (const headers of [
    { ...json },
    { ...json, origin: "http://evil.example" },
    { ...json, origin: "null" },
    { ...json, origin: baseURL ?? "", "sec-fetch-site": "cross-site" },
    { "content-type": "text/plain", origin: baseURL ?? "" },
  ]) {
    const response = await page.request.post(url, { headers, data });
    expect(response.status()).toBeGreaterThanOrEqual(400);
  }
  expect((await page.request.get(url)).status()).toBe(405);
  const large = await page.request.post(url, {
    headers: { ...json, origin: baseURL ?? "" },
    data: `"${"x".repeat(5_000_000)}"`,
  });
  expect(large.status()).toBe(422);
  expect((await page.request.post(url, { headers: { ...json, origin: baseURL ?? "" }, data })).status()).toBe(
    200,
  );

  const response = await page.request.get("/jobs");
  const headers = response.headers();
  const policy = headers["content-security-policy"] ?? "";
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic' 'wasm-unsafe-eval';/);
  expect(policy).not.toContain("'unsafe-eval'");
  expect(policy).toContain("frame-ancestors 'none'");
  expect(headers["x-frame-options"]).toBe("DENY");
  expect(headers["x-content-type-options"]).toBe("nosniff");
  expect(headers["x-powered-by"]).toBeUndefined();
  const again = (await page.request.get("/jobs")).headers()["content-security-policy"];
  expect(again).not.toBe(policy);
  const cookie = (await page.context().cookies()).find((one) => one.name === "gaugebeam");
  expect(cookie).toMatchObject({ httpOnly: true, sameSite: "Lax" });
});
