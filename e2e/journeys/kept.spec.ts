import { userInfo } from "node:os";
import { expect, test, type Page } from "@playwright/test";
import mysql from "mysql2/promise";
import { OwnServer } from "../fixtures/own-server";
import { field, makeJob, saved, signIn, signInByForm } from "../fixtures/shop";
import { thisShop } from "../fixtures/shops";

/** As root of the database: what no person and no act of ours could do to it. */
async function sql(statement: string, values: unknown[] = []): Promise<void> {
  const connection = await mysql.createConnection({
    socketPath: process.env["GAUGEBEAM_CHECK_SOCKET"] ?? "",
    user: userInfo().username,
    database: thisShop.database,
  });
  await connection.query(statement, values);
  await connection.end();
}
const act = (page: Page, name: string, data: unknown) =>
  page.request.post(`/api/act/${name}`, { data, headers: { origin: new URL(page.url()).origin } });

test("a job whose plan cannot be read takes no view with it, and goes back to an earlier version", async ({
  page,
}) => {
  await signIn(page);
  const jobId = await makeJob(page, "Spoilt");
  await page.getByRole("button", { name: "Round" }).click();
  await saved(page);
  await field(page, "Diameter").fill("30 in");
  await saved(page);
  // Bit rot, or a version of the program that is gone.
  await sql(
    "UPDATE job_revisions r JOIN jobs j ON j.id = r.job_id AND j.revision = r.revision SET r.document = '{\"format\":1}', j.start_on = CURDATE() WHERE j.id = ?",
    [jobId],
  );
  await page.goto("/bench");
  const lost = page.getByRole("list", { name: "Not on the clock" }).getByRole("link", { name: /Spoilt/ });
  await expect(lost).toContainText("cannot be read");
  await page.goto("/jobs");
  await page.getByRole("link", { name: "Spoilt" }).click();
  await expect(page.getByRole("heading", { name: "Versions of Spoilt" })).toBeVisible();
  // The newest of the earlier ones, by the keyboard.
  const back = page.getByRole("button", { name: "Go back to this" }).first();
  await back.focus();
  await page.keyboard.press("Enter");
  await page.waitForURL("**/measure");
  await expect(field(page, "Diameter")).toBeVisible();
  await page.goto("/bench");
  await expect(page.getByRole("link", { name: /Spoilt/ }).filter({ hasText: "cannot be read" })).toHaveCount(
    0,
  );
  await act(page, "job.archive", { jobId, archived: true });
});

test("two requests that made every page of a shop answer 500 are refused, and a pour of such a job is told", async ({
  page,
}) => {
  await signIn(page);
  const jobId = await makeJob(page, "Refused");
  const free = (id: string, starts: number[]) => ({
    id,
    name: "P",
    count: 1,
    shape: {
      kind: "free",
      points: [
        [0, 0],
        [600, 0],
        [600, 400],
        [0, 400],
      ],
      starts,
    },
    edges: {},
    cutOuts: [],
  });
  const document = (piece: unknown) => ({
    format: 1,
    pieces: [piece],
    ground: "mdf",
    work: { people: 1, tempC: 21, startMin: 540 },
    factors: {},
    coats: [],
    notes: "",
  });
  for (const piece of [free("constructor", [0]), free("p", [2, 0])]) {
    const answer = await act(page, "job.save", { jobId, revision: 1, document: document(piece) });
    expect(answer.status()).toBe(422);
  }
  expect(
    (await act(page, "job.save", { jobId, revision: 1, document: document(free("p", [0, 2])) })).status(),
  ).toBe(200);
  const pourId = crypto.randomUUID();
  const at = new Date().toISOString();
  expect((await act(page, "pour.start", { pourId, jobId, revision: 2, at })).status()).toBe(200);
  await sql("UPDATE pours SET plan = '{}' WHERE id = ?", [pourId]);
  for (const path of ["/bench", "/jobs", `/jobs/${jobId}/log`, `/jobs/${jobId}/pour`]) {
    const answer = await page.goto(path);
    expect([path, answer?.status()]).toEqual([path, 200]);
  }
  await page.goto(`/jobs/${jobId}/log`);
  await expect(page.getByRole("alert").filter({ hasText: "cannot be read" })).toBeVisible();
  await page.goto(`/pours/${pourId}`);
  await expect(page.getByRole("heading", { name: "This view could not be drawn." })).toBeVisible();
  await sql("DELETE FROM pour_events WHERE pour_id = ?", [pourId]);
  await sql("DELETE FROM pours WHERE id = ?", [pourId]);
  await act(page, "job.archive", { jobId, archived: true });
});

test("a view of which only half came, as from a server that went away, says so and loads anew", async ({
  page,
}) => {
  await signIn(page);
  await page.route(/\/colours\?.*_rsc=/, async (route) => {
    const answer = await route.fetch();
    const body = await answer.body();
    await route.fulfill({ response: answer, body: body.subarray(0, body.length >> 1) });
  });
  await page.getByRole("link", { name: "Colours", exact: true }).click();
  await expect(page.getByRole("heading", { name: "This view could not be drawn." })).toBeVisible();
  await page.getByRole("button", { name: "Try again" }).click();
  await expect(page.getByRole("link", { name: "Red oxide paste" })).toBeVisible();
});

test("an address that cannot be read is told, and is no failure of the server", async ({ request }) => {
  for (const path of ["/jobs/%ff", "/%E0%A4%A", "/pours/%c0%af"]) {
    const answer = await request.get(path);
    expect([path, answer.status()]).toEqual([path, 400]);
    expect(await answer.text()).toContain("cannot be read");
  }
});

test("a password is changed, weak ones are refused, other devices are signed out, and all of them at once", async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page);
  const email = `${crypto.randomUUID()}@lantern-yard.example`;
  const [first, second] = ["seven brass kettles", "nine copper funnels"];
  const person = { name: "Passing", email, role: "hand", password: first };
  expect((await act(page, "people.add", { ...person, password: "password123" })).status()).toBe(422);
  expect((await act(page, "people.add", person)).status()).toBe(200);
  const [here, there] = [
    await browser.newContext({ baseURL: baseURL ?? "" }),
    await browser.newContext({ baseURL: baseURL ?? "" }),
  ];
  const [mine, other] = [await here.newPage(), await there.newPage()];
  await signInByForm(mine, { email, password: first });
  await signInByForm(other, { email, password: first });

  await mine.goto("/shop");
  await mine.getByLabel("The one you have").fill(first);
  await mine.getByLabel("A new one").fill("passing1234");
  await mine.getByRole("button", { name: "Change it" }).click();
  await expect(mine.getByRole("alert").filter({ hasText: "guessed too easily" })).toBeVisible();
  await expect(mine.getByLabel("The one you have")).toHaveValue(first);
  await mine.getByLabel("A new one").fill(second);
  await mine.getByRole("button", { name: "Change it" }).click();
  await expect(mine.getByRole("status").filter({ hasText: "Changed" })).toBeVisible();

  await other.goto("/jobs");
  await expect(other).toHaveURL(/sign-in/);
  await signInByForm(other, { email, password: second });
  const cookies = await here.cookies();
  await mine.getByRole("button", { name: "Sign out on every device" }).click();
  await expect(mine).toHaveURL(/sign-in/);
  await other.goto("/jobs");
  await expect(other).toHaveURL(/sign-in/);
  // A cookie that was copied opens nothing any more.
  await here.addCookies(cookies);
  await mine.goto("/jobs");
  await expect(mine).toHaveURL(/sign-in/);
  await Promise.all([here.close(), there.close()]);
});

test("one person of two shops chooses which one, after the password", async ({ page }) => {
  const email = `${crypto.randomUUID()}@both.example`;
  const password = "seven brass kettles";
  const person = { name: "Both", email, role: "hand", password };
  await signIn(page);
  expect((await act(page, "people.add", person)).status()).toBe(200);
  await act(page, "session.sign-out", {});
  await signIn(page, { email: "owner@elsewhere.example", password: "other-shop-secret" });
  // The owner of one shop does not learn that another knows the address.
  expect((await act(page, "people.add", person)).status()).toBe(200);
  await act(page, "session.sign-out", {});
  await page.goto("/sign-in");
  await page.getByLabel("E-mail").fill(email);
  await page.getByLabel("Password").fill(password);
  await page.getByRole("button", { name: "Sign in" }).click();
  const which = page.getByRole("group", { name: "Which shop" });
  await expect(which.getByRole("button")).toHaveCount(2);
  await which.getByRole("button", { name: /Lantern/ }).click();
  await page.waitForURL("**/bench");
  await page.goto("/jobs");
  await expect(page.getByRole("link", { name: "Serving counter" }).first()).toBeVisible();
});

test("a file of short lines leaves the page alive, and says how far it was read", async ({ page }) => {
  await signIn(page);
  await page.goto("/colours");
  await page.getByRole("button", { name: "read a file" }).click();
  await page.getByLabel("File of colours").setInputFiles({
    name: "shelf.csv",
    mimeType: "text/csv",
    buffer: Buffer.from(`name,hex\n${"a\n".repeat(20_000)}`),
  });
  await expect(page.getByText(/Only the first 5000 lines/)).toBeVisible({ timeout: 5000 });
});

test("with a full disk reading goes on, what is typed stays in the browser, and goes out when there is room", async ({
  browser,
}) => {
  // A server is started four times.
  const server = await OwnServer.make("gaugebeam_full_disk");
  await server.start();
  const context = await browser.newContext({ baseURL: server.url });
  const page = await context.newPage();
  await page.goto("/first-run");
  await page.getByLabel("Name of the shop").fill("Full");
  await page.getByLabel("Your name").fill("Owner");
  await page.getByLabel("E-mail").fill("owner@full.example");
  await page.getByLabel(/^Password/).fill("seven brass kettles");
  await page.getByRole("button", { name: "Open the shop" }).click();
  await page.waitForURL("**/jobs");
  await makeJob(page, "Counter");
  await page.getByRole("button", { name: "Round" }).click();
  await saved(page);
  await server.kill();
  await server.start({ GAUGEBEAM_LEAST_FREE_MB: "1e9" });
  await field(page, "Diameter").fill("31 in");
  await expect(page.getByRole("status").filter({ hasText: "disk of the server is full" })).toBeVisible();
  // Read in another window meanwhile.
  const other = await context.newPage();
  expect((await other.goto("/jobs"))?.status()).toBe(200);
  await expect(other.getByRole("link", { name: "Counter" })).toBeVisible();
  await server.kill();
  await server.start();
  await expect(page.getByRole("status").filter({ hasText: /^saved$/ })).toBeVisible({ timeout: 40_000 });
  await page.reload();
  await expect(field(page, "Diameter")).toHaveValue("31");
  await server.kill();
  await context.close();
});
