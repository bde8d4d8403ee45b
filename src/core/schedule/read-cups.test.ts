import { ML_PER_US_FL_OZ } from "../units/constants";
import { readCupDose, readCups } from "./read-cups";

const ozs = (...oz: number[]) => ({
  by: "volumes",
  ml: oz.map((each) => expect.closeTo(each * ML_PER_US_FL_OZ, 6)),
});

test.each([
  ["2 : 14 : 12", { by: "parts", parts: [2, 14, 12] }],
  ["2:14:12", { by: "parts", parts: [2, 14, 12] }],
  ["2 14 12", { by: "parts", parts: [2, 14, 12] }],
  ["2,5; 1; 0", { by: "parts", parts: [2.5, 1, 0] }],
  ["2 : 14 : 12 fl oz", ozs(2, 14, 12)],
  ["2 oz, 14 oz, 12 oz", ozs(2, 14, 12)],
  ["2oz + 14oz + 355 ml", { by: "volumes", ml: [expect.anything(), expect.anything(), 355] }],
  ["10 ml each", { by: "volumes", ml: [10, 10, 10] }],
  ["2 fl oz in each", ozs(2, 2, 2)],
  ["1 each", { by: "parts", parts: [1, 1, 1] }],
])("%s", (text, wanted) => expect(readCups(text, 3, "us")).toEqual(wanted));

test.each([
  "",
  "2 : 14",
  "2 : 14 : 12 : 1",
  "2 : x : 12",
  "0 : 0 : 0",
  "2 : 14 : -12",
  "2 kg : 3 kg : 4 kg",
  "0 ml each",
])("%p says nothing of three cups", (text) => expect(readCups(text, 3, "us")).toBeNull());

test.each([
  ["a level spoon", { count: 1, unit: "spoon" }],
  ["a level spoon in each", { count: 1, unit: "spoon" }],
  ["one spoon", { count: 1, unit: "spoon" }],
  ["an drop", { count: 1, unit: "drop" }],
  ["half an drop", { count: 0.5, unit: "drop" }],
  ["half drop", { count: 0.5, unit: "drop" }],
  ["half a spoon", { count: 0.5, unit: "spoon" }],
  ["1/2 level spoon", { count: 0.5, unit: "spoon" }],
  ["2 drops", { count: 2, unit: "drop" }],
  ["0,3 g", { count: 0.3, unit: "gram" }],
])("%s", (text, wanted) => expect(readCupDose(text)).toEqual(wanted));

test.each(["", "spoon", "2", "a cup", "1/0 spoon", "0/0 spoon", "1001 drops", "two drops"])(
  "%p is no dose",
  (text) => expect(readCupDose(text)).toBeNull(),
);
