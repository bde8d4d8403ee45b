import { STARTER_COLOURS } from "@/core/colour/starter-colours";
import { colourCardFields, labSchema } from "./colour-card";

const card = STARTER_COLOURS[0]!;
const wrong = (changes: Record<string, unknown>) => {
  const read = colourCardFields.safeParse({ ...card, ...changes });
  return read.success ? null : (read.error.issues[0]?.message ?? "");
};

test("every colourant that a shop starts with is a card as the wire wants it", () => {
  for (const start of STARTER_COLOURS) expect(colourCardFields.parse(start)).toEqual(start);
});

test.each([
  [{ name: " " }, "Type a name for the colour."],
  [{ name: "a\u0000b" }, "That holds a sign that cannot be shown."],
  [{ densityGPerMl: 0 }, "Too small for a density."],
  [{ mostPer100G: 1000 }, "Too large for a limit."],
  [{ kind: "ink" }, ""],
  [{ appearance: { by: "unknown", hex: "red" } }, "Type a colour as # and six signs, for example #7F3A2B."],
  [
    {
      appearance: {
        by: "swatches",
        swatches: { masstone: null, tint: null, shade: null },
        opacity: "semi",
        dryShare: 1,
      },
    },
    "Type one swatch at least.",
  ],
  [{ appearance: { by: "pigment", pigment: "unobtainium", dryShare: 0.5 } }, ""],
])("%j is refused in words", (changes, message) => {
  const said = wrong(changes);
  expect(said).not.toBeNull();
  if (message) expect(said).toBe(message);
});

test("L*a*b* stays within what there is", () => {
  expect(labSchema.safeParse([50, 0, 0]).success).toBe(true);
  for (const lab of [[101, 0, 0], [-1, 0, 0], [50, 200, 0], [50, 0], [NaN, 0, 0], "50 0 0"])
    expect(labSchema.safeParse(lab).success).toBe(false);
});
