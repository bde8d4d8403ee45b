import { execFileSync, spawn, type ChildProcess } from "node:child_process";
import { createConnection, createServer } from "node:net";
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

/**
 * ./start as a person starts, stops and loses it: on a folder of its own, with the build that is there. Run by ./check after the build.
 * GAUGEBEAM_INTERRUPTIONS=100 interrupts as many first starts (docs/decisions/0011).
 */
// Limits end what hangs: beside the journeys all of it takes longer.
jest.setTimeout(300_000);

const INTERRUPTIONS = Number(process.env["GAUGEBEAM_INTERRUPTIONS"] ?? 3);
const ROOT = join(__dirname, "..");
let folder: string;
let running: ChildProcess[] = [];

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "gaugebeam-start-"));
});
afterEach(async () => {
  for (const child of running) child.kill("SIGKILL");
  running = [];
  await untilFree();
  rmSync(folder, { recursive: true, force: true });
});

const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

async function until(what: () => boolean | Promise<boolean>, seconds: number, words: string): Promise<void> {
  for (const end = Date.now() + seconds * 1000; Date.now() < end; await sleep(50)) if (await what()) return;
  throw new Error(`${words}: not within ${seconds} s\n${log()}`);
}
const log = () => ["start.log", "app.log", "app-start.log", "db/db.log"].map(read).join("\n");
const read = (name: string) => {
  try {
    return readFileSync(join(folder, name), "utf8");
  } catch {
    return "";
  }
};

/** Begins ./start; what it says is in start.log. */
function start(...options: string[]): ChildProcess {
  const child = spawn(
    "bash",
    ["-c", `exec ./start "$@" >>"$GAUGEBEAM_VAR/start.log" 2>&1`, "start", ...options],
    {
      cwd: ROOT,
      env: { ...process.env, GAUGEBEAM_VAR: folder, PORT: "3217" },
      stdio: "ignore",
    },
  );
  running.push(child);
  return child;
}
const ended = (child: ChildProcess) => child.exitCode !== null || child.signalCode !== null;

async function up(...options: string[]): Promise<ChildProcess> {
  const child = start(...options);
  await until(
    () => read("start.log").includes(`or: kill ${child.pid}`) || ended(child),
    240,
    "It does not come up",
  );
  if (ended(child)) throw new Error(`It ended:\n${log()}`);
  return child;
}
const address = () => read("address").trim();
const answers = async () =>
  fetch(`${address()}/sign-in`, { signal: AbortSignal.timeout(3000) }).then(
    ({ status }) => status === 200,
    () => false,
  );
/** Processes that hold a lock of this folder. */
const holders = () =>
  execFileSync("bash", [
    "-c",
    `find /proc/[0-9]*/fd -maxdepth 1 -lname "$(readlink -f "$0")/*.lock" 2>/dev/null | cut -d/ -f3 | sort -u`,
    folder,
  ])
    .toString()
    .split("\n")
    .filter(Boolean);
const untilFree = () => until(() => holders().length === 0, 20, "Something still runs");
const pidOf = (words: string) =>
  Number(
    execFileSync("bash", [
      "-c",
      `for p in /proc/[0-9]*; do tr '\\0' ' ' 2>/dev/null <$p/cmdline | grep -q "$0" && readlink "$p"/fd/8 | grep -q "$1" && basename $p; done | head -1; true`,
      words,
      folder,
    ])
      .toString()
      .trim(),
  );
const sql = (statement: string) =>
  execFileSync("mariadb", [
    "--no-defaults",
    "--default-character-set=utf8mb4",
    `--socket=${join(folder, "db/db.sock")}`,
    "-N",
    "gaugebeam",
    "-e",
    statement,
  ])
    .toString()
    .trim();
async function stop(child: ChildProcess): Promise<number> {
  const began = Date.now();
  child.kill("SIGTERM");
  await until(() => ended(child), 12, "It does not stop");
  return (Date.now() - began) / 1000;
}

test("data is opened, never deleted, whatever is missing beside it", async () => {
  const first = await up("--no-demo");
  sql("INSERT INTO shops (id, name, created_at) VALUES (UUID(), 'kept', NOW(3))");
  await stop(first);
  // As a copy leaves it that skipped what begins with a dot, and what it took for rubbish.
  for (const name of ["db/data/.installed", "db/port", "db/db.lock", "db/my.cnf", "db/password"])
    rmSync(join(folder, name), { force: true });
  const again = await up("--no-demo");
  expect(sql("SELECT name FROM shops")).toBe("kept");
  await stop(again);
});

test("a data folder that is no database is left alone, and start says so", async () => {
  mkdirSync(join(folder, "db/data"), { recursive: true });
  writeFileSync(join(folder, "db/data/ibdata1"), "somebody's");
  const child = start();
  await until(() => ended(child), 20, "It does not end");
  expect(child.exitCode).toBe(1);
  expect(read("start.log")).toContain("Nothing was touched");
  expect(read("db/data/ibdata1")).toBe("somebody's");
});

test("killed without a word, it comes up at the next start with what was stored", async () => {
  const first = await up("--no-demo");
  sql("INSERT INTO shops (id, name, created_at) VALUES (UUID(), 'kept', NOW(3))");
  first.kill("SIGKILL");
  const again = await up("--no-demo");
  expect(await answers()).toBe(true);
  expect(address()).toMatch(/:3217$/);
  expect(sql("SELECT name FROM shops")).toBe("kept");
  const second = start();
  await until(() => ended(second), 10, "The second start does not end");
  expect(read("start.log")).toContain("is running already");
  expect(await answers()).toBe(true);
  await stop(again);
});

test("numbers in files are not believed: an empty port, a process that is another's", async () => {
  const first = await up("--no-demo");
  await stop(first);
  const foreign = spawn("sleep", ["60"]);
  writeFileSync(join(folder, "db/port"), "");
  writeFileSync(join(folder, "db/db.pid"), String(foreign.pid));
  writeFileSync(join(folder, "start.lock"), String(foreign.pid));
  const again = await up("--no-demo");
  await stop(again);
  expect(ended(foreign)).toBe(false);
  foreign.kill();
});

test("a port that another program has is stepped around", async () => {
  const first = await up("--no-demo");
  await stop(first);
  const taken = createServer().listen(Number(read("db/port")), "127.0.0.1");
  const again = await up("--no-demo");
  expect(read("start.log")).toContain("moves to another");
  expect(await answers()).toBe(true);
  await stop(again);
  taken.close();
});

test("a database or an app that dies is started again", async () => {
  const child = await up("--no-demo");
  process.kill(pidOf("mariadbd"), "SIGKILL");
  await until(() => read("start.log").includes("MariaDB ended"), 10, "Nobody noticed");
  await until(answers, 15, "The app does not answer after its database died");
  process.kill(pidOf("serve/main"), "SIGKILL");
  await until(() => read("start.log").includes("The app ended"), 10, "Nobody noticed");
  await until(answers, 15, "The app does not answer after it died");
  await stop(child);
});

test("it stops within ten seconds whatever clients hold open, asked twice at once", async () => {
  const child = await up("--no-demo");
  const { hostname, port } = new URL(address());
  const client = createConnection(Number(port), hostname);
  client.on("error", () => {});
  client.write("POST /api/act/job.save HTTP/1.1\r\nHost: x\r\nContent-Length: 100\r\n\r\nhalf");
  await sleep(200);
  expect(await stop(child)).toBeLessThan(10);
  await untilFree();
  const again = await up("--no-demo");
  process.kill(pidOf("serve/main"), "SIGSTOP");
  const began = Date.now();
  again.kill("SIGTERM");
  await sleep(300);
  again.kill("SIGTERM");
  await until(() => ended(again), 5, "It does not stop at once");
  expect(Date.now() - began).toBeLessThan(2500);
  await untilFree();
});

test("what it keeps is for nobody else to read", async () => {
  const child = await up("--no-demo");
  const mode = execFileSync("stat", [
    "-c",
    "%a",
    folder,
    join(folder, "db"),
    join(folder, "app.log"),
  ]).toString();
  expect(mode.trim().split("\n")).toEqual(["700", "700", "600"]);
  await stop(child);
});

test("its log is short, and holds no document, whatever fails", () => {
  const file = join(folder, "log");
  const script = `
    import { keepLog } from "${join(ROOT, "serve/keep-log.mjs")}";
    keepLog(${JSON.stringify(file)});
    const failure = Object.assign(new Error("Statement refused"), { sql: "INSERT secret-document", parameters: ["secret-document"], parent: { sql: "secret-document" } });
    console.error("Act job.save failed:", failure);
    for (let n = 0; n < 60000; n += 1) { console.error("the same again and again, some hundred letters long, as a full disk would have it said"); if (n % 500 === 0) await new Promise(setImmediate); }
    await new Promise((resolve) => setTimeout(resolve, 500));`;
  execFileSync("node", ["--input-type=module", "-e", script], { cwd: ROOT });
  const kept = execFileSync("bash", [
    "-c",
    `cat "${folder}"/log*; stat -c '%s' "${folder}"/log* | paste -sd+ | bc >&2 || true`,
  ]).toString();
  expect(kept).toContain("the same again");
  expect(kept).not.toContain("secret-document");
  expect(kept.length).toBeLessThan(7_000_000);
});

const script = (name: string, ...words: string[]) =>
  execFileSync("bash", [join(ROOT, name), ...words], {
    cwd: ROOT,
    env: { ...process.env, GAUGEBEAM_VAR: folder },
    stdio: ["ignore", "pipe", "pipe"],
  });

test("a backup is whole or not there, and brings everything back into a stopped shop", async () => {
  const file = join(folder, "backup.sql");
  expect(() => script("backup", file)).toThrow("not running");
  const first = await up("--no-demo");
  sql("INSERT INTO shops (id, name, created_at) VALUES (UUID(), 'kept \u{1F600}', NOW(3))");
  script("backup", file);
  sql("UPDATE shops SET name = 'spoilt'");
  await stop(first);
  const half = join(folder, "half.sql");
  writeFileSync(half, readFileSync(file).subarray(0, 3000));
  expect(() => script("restore", half)).toThrow("no whole backup");
  script("restore", file);
  const again = await up("--no-demo");
  expect(sql("SELECT name FROM shops")).toBe("kept \u{1F600}");
  await stop(again);
});

test("restored while it runs: checked first, whole at once, who was signed in stays so, and what their browser still held arrives", async () => {
  const child = await up("--no-demo");
  let cookie = "";
  const act = async (name: string, input: unknown) => {
    const response = await fetch(`${address()}/api/act/${name}`, {
      method: "POST",
      headers: { "content-type": "application/json", origin: address(), cookie },
      body: JSON.stringify(input),
    });
    cookie = response.headers.getSetCookie()[0]?.split(";")[0] ?? cookie;
    return (await response.json()) as { ok: boolean; value: Record<string, string>; error?: unknown };
  };
  const owner = { name: "Ada", email: "ada@restored.example", password: "poured-at-half-past-nine" };
  expect((await act("session.first-run", { shopName: "Before", ...owner })).ok).toBe(true);
  const fields = { name: "Counter", client: "", status: "planning", dueOn: null };
  const { jobId } = (await act("job.create", { fields })).value;
  const file = join(folder, "backup.sql");
  script("backup", file);
  await act("job.describe", { jobId, fields: { ...fields, name: "Spoilt" } });
  // What is no backup, and one that MariaDB does not take, change nothing.
  const whole = readFileSync(file, "utf8");
  for (const [text, words] of [
    [whole.replace(/CREATE TABLE `jobs`/, "CREATE TABLE `jobs"), "refused the backup"],
    ["-- Dump completed\n", "no backup of a shop"],
  ] as const) {
    const wrong = join(folder, "wrong.sql");
    writeFileSync(wrong, text);
    expect(() => script("restore", wrong)).toThrow(words);
    expect(sql("SELECT name FROM jobs")).toBe("Spoilt");
  }
  script("restore", file);
  expect(sql("SELECT name FROM jobs")).toBe("Counter");
  // What was there is in a file, up to the last moment.
  const kept = execFileSync("bash", ["-c", `cat "$0"/before-restore-*.sql`, folder]).toString();
  expect(kept).toContain("'Spoilt'");
  expect(sql("SHOW DATABASES LIKE 'gaugebeam%'")).toBe("gaugebeam");
  // Signed in as before, and what the browser had not sent yet arrives as soon as the app is there again.
  const typed = { jobId, fields: { ...fields, name: "Typed meanwhile" } };
  const sent = () =>
    act("job.describe", typed).then(
      ({ ok }) => ok,
      () => false,
    );
  await until(sent, 30, "What was typed does not arrive");
  expect(sql("SELECT name FROM jobs")).toBe("Typed meanwhile");
  await stop(child);
});

test("a nightly backup is made after its hour, and the last seven are kept", async () => {
  expect(() => script("backup", "--nightly", "half past two")).toThrow("Say when");
  mkdirSync(join(folder, "backups"));
  for (let day = 1; day <= 8; day += 1)
    writeFileSync(join(folder, `backups/gaugebeam-2020-01-0${day}.sql`), "old");
  script("backup", "--nightly", "00:00");
  const child = await up("--no-demo");
  const backups = () =>
    execFileSync("ls", [join(folder, "backups")])
      .toString()
      .trim()
      .split("\n");
  await until(() => backups().length === 7, 60, "No nightly backup");
  expect(backups().slice(0, 2)).toEqual(["gaugebeam-2020-01-03.sql", "gaugebeam-2020-01-04.sql"]);
  expect(readFileSync(join(folder, "backups", backups().at(-1)!), "utf8")).toContain("Dump completed");
  await stop(child);
});

test(
  `interrupted ${INTERRUPTIONS} times at random moments, a first start comes up whole at the next`,
  async () => {
    const probe = await up();
    const whole = sql(
      "SELECT (SELECT COUNT(*) FROM jobs), (SELECT COUNT(*) FROM pours), (SELECT COUNT(*) FROM pour_events)",
    );
    await stop(probe);
    for (let round = 0; round < INTERRUPTIONS; round += 1) {
      rmSync(folder, { recursive: true, force: true });
      mkdirSync(folder);
      const child = start();
      // A first start takes some six seconds to its first page; interrupted anywhere in them.
      const afterMs = 100 + ((round * 0.618034) % 1) * 6000;
      await sleep(afterMs);
      child.kill(round % 2 === 0 ? "SIGKILL" : "SIGTERM");
      await until(() => ended(child), 15, `Round ${round}: it does not end`);
      const again = await up();
      const found = sql(
        "SELECT (SELECT COUNT(*) FROM jobs), (SELECT COUNT(*) FROM pours), (SELECT COUNT(*) FROM pour_events)",
      );
      expect([round, afterMs, found]).toEqual([round, afterMs, whole]);
      expect(await answers()).toBe(true);
      await stop(again);
      await untilFree();
    }
  },
  120_000 + INTERRUPTIONS * 120_000,
);
