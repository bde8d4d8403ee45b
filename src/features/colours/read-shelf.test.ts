import fc from "fast-check";
import Papa from "papaparse";
import { type ColourCard } from "@/core/colour/colour-card";
import { starterColours } from "@/core/colour/starter-colours";
import { labOfHex } from "@/core/colour/spaces";
import { shelfCsv, shelfPalette, standingColour } from "./palette";
import { readShelf } from "./read-shelf";

let made = 0;
const cards = starterColours(() => `card-${(made += 1)}`);
const withoutId = ({ id: _id, ...fields }: ColourCard) => fields;

describe("a shelf as CSV", () => {
  test("what is written here is read again without a loss: every card as it was", () => {
    const { colours, problems } = readShelf(shelfCsv(cards));
    expect(problems).toEqual([]);
    expect(colours.map(({ fields }) => fields)).toEqual(cards.map(withoutId));
    expect(colours.map(({ line }) => line)).toEqual(cards.map((_, index) => index + 2));
  });

  test("any name survives, formulas and quotes and line breaks' neighbours too", () => {
    fc.assert(
      fc.property(
        fc
          .string({ minLength: 1, maxLength: 60, unit: "grapheme" })
          .filter((name) => name.trim() === name && !/\p{Cc}/u.test(name) && !/^'[=+\-@]/.test(name)),
        (name) => {
          const odd = { ...cards[0]!, name };
          const { colours, problems } = readShelf(shelfCsv([odd, cards[1]!]));
          expect(problems).toEqual([]);
          expect(colours[0]?.fields).toEqual(withoutId(odd));
        },
      ),
    );
  });

  test("as a spreadsheet has it: name and colour alone are enough; one swatch is rough, flakes are unknown", () => {
    const { colours, problems } = readShelf(
      [
        "name,kind,hex,L,a,b,price_per_kg",
        'Slate,,#556066,,,,"41,50"',
        "Rust,opaque paste,,34,27,18,",
        "Frost,mica powder,#E8E8EE,,,,",
        "Lagoon,dye,#2A9A98,,,,",
      ].join("\r\n"),
    );
    expect(problems).toEqual([]);
    expect(colours.map(({ fields }) => [fields.name, fields.appearance.by])).toEqual([
      ["Slate", "swatches"],
      ["Rust", "swatches"],
      ["Frost", "unknown"],
      ["Lagoon", "dye"],
    ]);
    expect(colours[0]?.fields.pricePerKg).toBe(41.5);
    expect(colours[1]?.fields.appearance).toMatchObject({ swatches: { masstone: { lab: [34, 27, 18] } } });
  });

  test("each line that is wrong is told by its number and in words; the others are read", () => {
    const { colours, problems } = readShelf(
      [
        "name,kind,hex,density_g_per_ml,look",
        "Good,,#556066,,",
        "Chalk,crayon,#FFFFFF,,",
        ",,#101010,,",
        "Tar,,black,,",
        "Fog,,#AABBCC,heavy,",
        '"Two\nlines",,#AABBCC,,',
        "Bare,,,,",
        'Moss,,#667744,1.2,"{by:"',
        "good,,#101010,,",
        "Last,,#334455,1.1,",
      ].join("\n"),
    );
    expect(colours.map(({ line, fields }) => [line, fields.name])).toEqual([
      [2, "Good"],
      [12, "Last"],
    ]);
    expect(problems).toEqual([
      {
        line: 3,
        message: expect.stringMatching(/^“crayon” is no kind of colour; write one of opaque paste/),
      },
      { line: 4, message: "Type a name for the colour." },
      { line: 5, message: expect.stringMatching(/^Write a colour as #7F3A2B/) },
      { line: 6, message: "“heavy” is no number for the density." },
      { line: 7, message: expect.stringMatching(/cannot be shown/) },
      { line: 9, message: "Its colour is missing: write hex, or L, a and b." },
      { line: 10, message: expect.stringMatching(/^Its look is no JSON/) },
      { line: 11, message: "“good” stands on line 2 already." },
    ]);
  });

  test.each([
    ["nothing", "", /no colour/],
    ["a head alone", "name,hex\n", /no colour/],
    ["a table of something else", "size,weight\n3,4\n", /one of them is “name”/],
    ["a picture", "\u0089PNG\u0000\u0001", /no text/],
  ])("%s is said", (_, text, words) => {
    const { colours, problems } = readShelf(text);
    expect(colours).toEqual([]);
    expect(problems[0]?.message).toMatch(words);
  });
});

describe("a GIMP palette", () => {
  test("written here and read again: each name with its colour on the screen", () => {
    const { colours, problems } = readShelf(shelfPalette("Lantern Yard", cards));
    expect(problems).toEqual([]);
    expect(colours.map(({ fields }) => fields.name)).toEqual(cards.map(({ name }) => name));
    colours.forEach(({ fields }, index) => {
      const swatch = fields.appearance.by === "swatches" ? fields.appearance.swatches.masstone : null;
      expect(swatch).toEqual({ hex: standingColour(cards[index]!).hex });
    });
  });

  test("as other programs write it: comments, no name, Windows line ends; wrong lines by number", () => {
    const { colours, problems } = readShelf(
      "\uFEFFGIMP Palette\r\nName: Sea\r\n#\r\n 42 154 152\tLagoon\r\n255 255 255\r\n300 0 0 Too much\r\nnot a colour\r\n",
    );
    expect(colours.map(({ line, fields }) => [line, fields.name])).toEqual([
      [4, "Lagoon"],
      [5, "#FFFFFF"],
    ]);
    expect(problems.map(({ line }) => line)).toEqual([6, 7]);
    expect(problems[1]?.message).toContain("“not a colour”");
  });
});

test("whatever the text, reading ends and invents nothing", () => {
  fc.assert(
    fc.property(
      fc.string({ maxLength: 400 }),
      fc.constantFrom("", "GIMP Palette\n", "name,hex\n"),
      (text, head) => {
        const { colours, problems } = readShelf(head + text);
        const lines = (head + text).split("\n").length;
        for (const { line } of [...colours, ...problems])
          if (line !== null) expect(line).toBeLessThanOrEqual(lines);
        for (const { fields } of colours)
          expect(labOfHex(standingColour({ id: "x", ...fields }).hex)[0]).toBeGreaterThanOrEqual(0);
      },
    ),
    { numRuns: 300 },
  );
});

test("the CSV's own columns are those that docs/formats/shelf.md names", () => {
  const [head] = Papa.parse<string[]>(shelfCsv(cards)).data;
  expect(head).toEqual([
    "name",
    "pigment",
    "kind",
    "hex",
    "L",
    "a",
    "b",
    "most_g_per_100g",
    "density_g_per_ml",
    "price_per_kg",
    "dose",
    "look",
  ]);
});

describe("files that are none", () => {
  test("a hundred thousand short lines are read as far as anybody adds, and that is told", () => {
    const { colours, problems } = readShelf(`name,hex\n${"a\n".repeat(100_000)}`);
    expect(colours).toEqual([]);
    expect(problems[0]?.message).toContain("Only the first 5000 lines");
    expect(problems.length).toBeLessThanOrEqual(5001);
  });
  test("a palette as well", () => {
    const { colours, problems } = readShelf(`GIMP Palette\n${"1 2 3 x\n".repeat(100_000)}`);
    expect(colours).toHaveLength(1);
    expect(problems.some(({ message }) => message.includes("Only the first 5000 lines"))).toBe(true);
  });
  test("lines are counted in the text, also where a cell holds a line break", () => {
    const { problems } = readShelf('name,hex\n"a\nb",#112233\nx,nonsense\n');
    expect(problems.map(({ line }) => line)).toEqual([2, 4]);
  });
});
