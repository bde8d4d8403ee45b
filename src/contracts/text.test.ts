import fc from "fast-check";
import type { z } from "zod";
import { asFileName, cutText } from "@/core/units/cut-text";
import { addColours, saveColourCard } from "./colour-card";
import { setBench } from "./bench";
import { createJob, describeJob, saveJob } from "./jobs";
import { addPerson, changePassword, firstRun, signIn } from "./people";
import { recordPour } from "./pours";
import { addBoard, createRecipe, readRecipe, renameRecipe } from "./recipes";
import { approvePicture, keepPractice } from "./rehearsals";
import { saveResinCard } from "./resin-card";
import { freeText, nameText, partId } from "./text";

const HALF = "\ud83d";

test("half a sign becomes a whole one, and what stands around it is kept", () => {
  expect(freeText(20).parse(`a${HALF}b`)).toBe("a\ufffdb");
  expect(nameText("a name").parse(` ${HALF} `)).toBe("\ufffd");
  expect(freeText(20).parse("a\u{1F600}b")).toBe("a\u{1F600}b");
});

type Def = Record<string, unknown> & {
  type: string;
  checks?: { _zod: { def: { check: string; format?: string } } }[];
};

/** Every text of a schema, by where it stands. */
function textsOf(
  schema: z.ZodType,
  at: string,
  seen = new Set<z.ZodType>(),
): { at: string; schema: z.ZodType }[] {
  if (seen.has(schema)) return [];
  seen.add(schema);
  const def = (schema as unknown as { _zod: { def: Def } })._zod.def;
  if (def.type === "string") return [{ at, schema }];
  const inner = ["innerType", "element", "in", "out", "keyType", "valueType"].flatMap((key) =>
    def[key] ? [[key, def[key] as z.ZodType] as const] : [],
  );
  const many = [...((def["options"] as z.ZodType[]) ?? []), ...((def["items"] as z.ZodType[]) ?? [])];
  const fields = Object.entries((def["shape"] as Record<string, z.ZodType>) ?? {});
  return [
    ...inner.flatMap(([key, of]) => textsOf(of, `${at}.${key}`, seen)),
    ...many.flatMap((of, index) => textsOf(of, `${at}.${index}`, seen)),
    ...fields.flatMap(([key, of]) => textsOf(of, `${at}.${key}`, seen)),
  ];
}

test("no text that is stored takes half a sign: it is mended, or its pattern has no room for it", () => {
  const acts = [
    addColours,
    saveColourCard,
    setBench,
    createJob,
    describeJob,
    saveJob,
    addPerson,
    changePassword,
    firstRun,
    signIn,
    recordPour,
    addBoard,
    createRecipe,
    readRecipe,
    renameRecipe,
    approvePicture,
    keepPractice,
    saveResinCard,
  ];
  const texts = acts.flatMap(({ name, input }) => textsOf(input, name));
  expect(texts.length).toBeGreaterThan(40);
  for (const { at, schema } of texts)
    for (const typed of [HALF, `x${HALF}`, `owner@x.example${HALF}`]) {
      const read = schema.safeParse(typed);
      expect([at, read.success ? String(read.data).isWellFormed() : true]).toEqual([at, true]);
    }
});

test("a cut never goes through a sign", () => {
  fc.assert(
    fc.property(
      fc.string({ unit: "grapheme", maxLength: 40 }),
      fc.integer({ min: 1, max: 30 }),
      (text, most) => {
        const cut = cutText(text, most);
        expect(cut.length).toBeLessThanOrEqual(most);
        expect(text.startsWith(cut)).toBe(true);
        if (text.isWellFormed()) expect(cut.isWellFormed()).toBe(true);
      },
    ),
  );
  expect(cutText("ab\u{1F600}", 3)).toBe("ab");
  expect(() => encodeURIComponent(asFileName("\u{1D49C}".repeat(40)))).not.toThrow();
});

test("no part is called as what every object has", () => {
  for (const name of ["constructor", "toString", "valueOf", "hasOwnProperty"])
    expect([name, partId.safeParse(name).success]).toEqual([name, false]);
  expect(partId.safeParse("p-1").success).toBe(true);
});
