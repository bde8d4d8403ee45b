import { csvDay, csvNumber, guessColumns, readCsv } from "./csv-table";

test("commas, semicolons and tabs; quotes hold them; a file without a head has its columns counted; empty lines keep the others' numbers", () => {
  expect(readCsv('name;price\n"Tape; wide";3,20\n\nGloves;9')).toEqual({
    head: ["name", "price"],
    rows: [
      { line: 2, cells: ["Tape; wide", "3,20"] },
      { line: 4, cells: ["Gloves", "9"] },
    ],
  });
  expect(readCsv("\ufeff2026-03-02 08:00\t21.5\n2026-03-02 09:00\t22")).toEqual({
    head: ["column 1", "column 2"],
    rows: [
      { line: 1, cells: ["2026-03-02 08:00", "21.5"] },
      { line: 2, cells: ["2026-03-02 09:00", "22"] },
    ],
  });
  expect(readCsv("a,,b\n1,2,3,4").head).toEqual(["a", "column 2", "b", "column 4"]);
  expect(readCsv("")).toEqual({ head: [], rows: [] });
});
test("each column is one thing: the first that is known and free", () => {
  const wanted = [
    { key: "name" as const, words: "what", known: /name|item/i },
    { key: "each" as const, words: "price", known: /price|each/i },
    { key: "unit" as const, words: "unit", known: /unit|price/i },
  ];
  expect(guessColumns(["Item name", "Price each", "Unit"], wanted)).toEqual({ name: 0, each: 1, unit: 2 });
  expect(guessColumns(["x", "price"], wanted)).toEqual({ each: 1 });
});
test.each([
  ["1,234.50", 1234.5],
  ["1.234,50", 1234.5],
  ["12,5", 12.5],
  ["1,234", 1234],
  ["1,234,567", 1234567],
  ["1.234.567", 1234567],
  ["3.5", 3.5],
  ["$ 1 200.00", 1200],
  ["€ 9,90", 9.9],
  ["9.90 USD", 9.9],
  ["-4", -4],
  ["1’200.–", 1200],
  ["twelve", null],
  ["", null],
  ["-", null],
])("the number %s is %s", (text, value) => expect(csvNumber(text)).toBe(value));
test("days by either road, and none that there never was", () => {
  expect(csvDay("2026-3-4", true)).toBe("2026-03-04");
  expect(csvDay("2026-03-04T08:00", false)).toBe("2026-03-04");
  expect(csvDay("3/14/2026", true)).toBe("2026-03-14");
  expect(csvDay("14/3/2026", false)).toBe("2026-03-14");
  expect(csvDay("14.3.2026", true)).toBe("2026-03-14");
  expect(csvDay("31/2/2026", false)).toBeNull();
  expect(csvDay("soon", false)).toBeNull();
});
