import { findColours, hueWords, type Findable } from "./find-colour";
import { labOfHex } from "./spaces";

/** Named colours of CSS Color Module Level 4, where the name is one that people say at the bench. */
test.each([
  ["black", "#000000"],
  ["white", "#ffffff"],
  ["white", "#fffaf0"],
  ["grey", "#808080"],
  ["silver", "#c0c0c0"],
  ["red", "#ff0000"],
  ["red", "#dc143c"],
  ["brown", "#a52a2a"],
  ["brown", "#8b4513"],
  ["orange", "#ff8c00"],
  ["yellow", "#ffff00"],
  ["gold", "#daa520"],
  ["green", "#008000"],
  ["green", "#00ff00"],
  ["teal", "#008080"],
  ["blue", "#0000ff"],
  ["blue", "#4169e1"],
  ["violet", "#800080"],
  ["violet", "#ee82ee"],
  ["pink", "#ff69b4"],
  ["pink", "#ffc0cb"],
])("%s: %s", (word, hex) => expect(hueWords(labOfHex(hex))).toContain(word));

describe("what is looked for", () => {
  const shelf: Findable[] = [
    { name: "Harbour", kind: "mica", lab: labOfHex("#2E5FB0") },
    { name: "Blue dye", kind: "dye", lab: labOfHex("#2E86C8") },
    { name: "Rust", kind: "paste", lab: labOfHex("#A5512A") },
    { name: "Bone white", lab: labOfHex("#EFE6D4") },
  ];
  const found = (query: string) => findColours(shelf, query).map(({ name }) => name);
  test("by name, form and hue, each word by how it begins; nothing for nothing", () => {
    expect(found("blue")).toEqual(["Harbour", "Blue dye"]);
    expect(found("blue mica")).toEqual(["Harbour"]);
    expect(found("Bone")).toEqual(["Bone white"]);
    expect(found("bro")).toEqual(["Rust"]);
    expect(found("powder")).toEqual(["Harbour"]);
    expect(found("purple")).toEqual([]);
    expect(found("  ")).toEqual([]);
  });
});
