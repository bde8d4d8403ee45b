import fc from "fast-check";
import { readColour } from "./read-colour";

describe("a colour as people write it", () => {
  test.each([
    ["#7F3A2B", "#7F3A2B"],
    ["7f3a2b", "#7F3A2B"],
    ["  #abc ", "#AABBCC"],
  ])("%s is a hex", (text, hex) => expect(readColour(text)).toEqual({ ok: true, hex }));
  test.each([
    ["78 1 4", [78, 1, 4]],
    ["62, -11, 12", [62, -11, 12]],
    ["L* 62.5 a* −11 b* 12", [62.5, -11, 12]],
    ["50;0;0", [50, 0, 0]],
  ] as const)("%s is L*a*b*", (text, lab) => expect(readColour(text)).toEqual({ ok: true, lab }));
  test.each([
    "",
    "grey",
    "#12",
    "#12345",
    "1 2",
    "1 2 3 4",
    "120 0 0",
    "50 200 0",
    "NaN 0 0",
    "<b>",
    "50 1e9 0",
  ])("“%s” is refused in words", (text) => {
    const read = readColour(text);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.message.length).toBeGreaterThan(15);
  });
  test("whatever is typed, it answers", () =>
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => {
        const read = readColour(text);
        if (!read.ok) return expect(read.message).not.toBe("");
        if ("hex" in read) return expect(read.hex).toMatch(/^#[0-9A-F]{6}$/);
        expect(read.lab.every(Number.isFinite)).toBe(true);
      }),
    ));
});
