import { tmpdir } from "node:os";
import { Refused } from "./refused";

afterEach(() => {
  delete process.env["GAUGEBEAM_DB_FOLDER"];
  delete process.env["GAUGEBEAM_LEAST_FREE_MB"];
  jest.resetModules();
});

test("with less room than is kept for the database a write is refused in words; elsewhere MariaDB's word is waited for", async () => {
  const { refuseOnFullDisk } = await import("./disk");
  await expect(refuseOnFullDisk()).resolves.toBeUndefined();
  process.env["GAUGEBEAM_DB_FOLDER"] = tmpdir();
  process.env["GAUGEBEAM_LEAST_FREE_MB"] = "1e9";
  await expect(refuseOnFullDisk()).rejects.toThrow("disk of the server is full");
  process.env["GAUGEBEAM_LEAST_FREE_MB"] = "0";
  await expect(refuseOnFullDisk()).resolves.toBeUndefined();
});

test.each([
  [{ parent: { code: "ER_DISK_FULL", message: "" } }, true],
  [{ parent: { code: "ER_RECORD_FILE_FULL", message: "The table 'jobs' is full" } }, true],
  [{ parent: { code: "ER_GET_ERRNO", message: "Got error 1 (errno: 28 No space left on device)" } }, true],
  [{ parent: { code: "ER_DUP_ENTRY", message: "Duplicate entry" } }, false],
  [new Refused({ code: "invalid", message: "no" }), false],
])("MariaDB's word for it: %j", async (failure, full) => {
  const { isDiskFull } = await import("./disk");
  expect(isDiskFull(failure)).toBe(full);
});
