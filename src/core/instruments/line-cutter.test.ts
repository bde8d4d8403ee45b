import { lineCutter } from "./line-cutter";

test("lines come as they are printed, however they are cut on the way; one without an end takes no room", () => {
  const cut = lineCutter();
  const parts = ["ST +  20", "1.4 g\r\nUS 202 g\n", "\n", "x".repeat(2000), "y\n12 g\rST"];
  expect(parts.flatMap(cut)).toEqual(["ST +  201.4 g", "US 202 g", "12 g"]);
});
