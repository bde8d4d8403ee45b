import { pictureList, printOf } from "./listed";

const canvas = (name: string, width = 10, height = 10) => ({ name, width, height });

test("a picture is found by what it shows, whatever its things are called among themselves", () => {
  const shown = (id: string, share: number) => ({ coats: [{ id, colours: [{ at: 1, share }] }], seed: 4 });
  expect(printOf(shown("a", 0.4))).toBe(printOf(shown("b", 0.4)));
  expect(printOf(shown("a", 0.4))).not.toBe(printOf(shown("a", 0.5)));
  const { keep, find } = pictureList<ReturnType<typeof canvas>>(1000);
  keep(printOf(shown("a", 0.4)), canvas("first"));
  expect(find(printOf(shown("b", 0.4)))?.name).toBe("first");
  expect(find(printOf(shown("b", 0.6)))).toBeNull();
});

test("of more than there is room for, what was not shown for longest goes first", () => {
  const { keep, find } = pictureList<ReturnType<typeof canvas>>(300);
  for (const name of ["a", "b", "c"]) keep(name, canvas(name));
  // Shown again, it is the newest.
  expect(find("a")?.name).toBe("a");
  keep("d", canvas("d"));
  expect(["a", "b", "c", "d"].map((name) => find(name)?.name ?? null)).toEqual(["a", null, "c", "d"]);
  // A large one takes the room of several.
  keep("large", canvas("large", 20, 10));
  expect(["a", "c", "d", "large"].map((name) => find(name)?.name ?? null)).toEqual([
    null,
    null,
    "d",
    "large",
  ]);
});

test("drawn anew it takes the place of the one before, and counts once", () => {
  const { keep, find } = pictureList<ReturnType<typeof canvas>>(200);
  keep("a", canvas("a"));
  keep("b", canvas("b"));
  for (let n = 0; n < 5; n += 1) keep("b", canvas(`b${n}`));
  expect(find("a")?.name).toBe("a");
  expect(find("b")?.name).toBe("b4");
});

test("one that is larger than all the room is not kept", () => {
  const { keep, find } = pictureList<ReturnType<typeof canvas>>(50);
  keep("a", canvas("a"));
  expect(find("a")).toBeNull();
});
