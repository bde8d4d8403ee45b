import { copyName } from "./copy-name";

test("copies get names of their own, however often one copies, and however long the name is", () => {
  const taken = ["Clear flood"];
  for (let copy = 0; copy < 5; copy += 1) taken.push(copyName(taken.at(-1)!, taken));
  expect(taken).toEqual(["Clear flood", ...[2, 3, 4, 5, 6].map((number) => `Clear flood ${number}`)]);
  expect(copyName("Left run", ["Left run"], ", mirrored")).toBe("Left run, mirrored");
  expect(copyName("Left run", ["Left run, mirrored"], ", mirrored")).toBe("Left run, mirrored 2");
  const long = "x".repeat(80);
  expect(copyName(long, [long])).toHaveLength(80);
  expect(copyName(long, [long])).not.toBe(long);
});
