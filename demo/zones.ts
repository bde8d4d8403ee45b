import { randomUUID } from "node:crypto";
import type { CoatColour } from "@/core/batch/coat-colour";
import { colourantNamed, colourFrom } from "@/core/colour/starter-colours";
import { newPiece } from "@/core/geometry/new-piece";
import type { Pair } from "@/core/geometry/curves";
import type { Piece } from "@/core/geometry/piece";
import type { Zone } from "@/core/geometry/zones/division";
import type { JobDocument } from "@/core/job/job";
import { emptyJob, newCoat } from "@/core/job/new-job";
import { withTechnique } from "@/core/job/techniques";
import type { Coat } from "@/core/schedule/coat";
import { usualPass } from "@/core/schedule/pass";
import { MM2_PER_FT2, MM2_PER_M2, MM_PER_FOOT } from "@/core/units/constants";

const id = () => randomUUID();
const zone = (name: string): Zone => ({ id: id(), name });
const colour = (name: string, share: number, on?: readonly Zone[]): CoatColour => ({
  ...colourFrom(colourantNamed(name), id(), share, 0.06),
  ...(on && { placeIds: on.map((zone) => zone.id) }),
});

/** An island with a leaf let into it: the leaf is taped off and poured a day before the rest, one clear lies over both. */
export function island(coating: string | null): JobDocument {
  const leaf = zone("Leaf");
  const rest = zone("Island");
  const line: Pair[] = [
    [520, 560],
    [760, 330],
    [1080, 270],
    [1360, 420],
    [1240, 640],
    [900, 700],
  ];
  const face = { treatment: "face", heightMm: 38, roundingMm: 3 } as const;
  const piece: Piece = {
    ...newPiece("rectangle", "Island", id),
    shape: { kind: "rectangle", lengthMm: 1900, depthMm: 950, cornerRadiiMm: [30, 30, 30, 30] },
    edges: { front: face, right: face, back: face, left: face },
    division: {
      rest,
      dividers: [
        {
          id: id(),
          drawn: { kind: "shape", shape: { kind: "free", points: line, curved: true } },
          zones: [leaf],
          barrier: { kind: "tape", widthMm: 25 },
        },
      ],
    },
  };
  const on = (coat: Coat, where: Zone): Coat => ({
    ...coat,
    zonesByPiece: { [piece.id]: [where.id] },
    passes: [...coat.passes, usualPass(id(), "tape-pull", {})],
  });
  const blend = (name: string) => ({
    ...withTechnique(newCoat("colour", "Colour", coating, id), "palm-blend", id),
    name,
    filmMm: 1.4,
  });
  return {
    ...emptyJob(),
    ground: "primed",
    notes: "The leaf on the first day behind tape, pulled while it is gummy. The rest on the next.",
    pieces: [piece],
    coats: [
      newCoat("base", "Base, black", coating, id),
      on(
        {
          ...blend("Leaf, copper"),
          coversFaces: false,
          startsAfter: "recoat",
          colours: [colour("Copper", 0.6), colour("Brass", 0.25), colour("Clear", 0.15)],
        },
        leaf,
      ),
      on(
        {
          ...blend("Island, slate"),
          startsAfter: "next-day",
          colours: [colour("Graphite", 0.5), colour("Pewter", 0.35), colour("Clear", 0.15)],
        },
        rest,
      ),
      { ...newCoat("clear", "Clear flood", coating, id), startsAfter: "next-day" },
    ],
  };
}

/** A geode: a hollow of crystals with rings of colour around it, layer over layer. */
export function geode(coating: string | null): JobDocument {
  const crystals = zone("Crystals");
  const rings = ["First ring", "Second ring", "Third ring"].map(zone);
  const [first, second, third] = rings as [Zone, Zone, Zone];
  const rest = zone("Rim");
  const hollow: Pair[] = [
    [300, 230],
    [420, 180],
    [520, 250],
    [500, 350],
    [390, 390],
    [290, 330],
  ];
  const followed = id();
  const piece: Piece = {
    ...newPiece("oval", "Geode", id),
    shape: { kind: "oval", lengthMm: 800, depthMm: 560 },
    edges: { rim: { treatment: "dam", heightMm: 0, roundingMm: 0 } },
    division: {
      rest,
      dividers: [
        {
          id: followed,
          drawn: { kind: "shape", shape: { kind: "free", points: hollow, curved: true } },
          zones: [crystals],
        },
        {
          id: id(),
          drawn: {
            kind: "bands",
            of: { kind: "divider", id: followed },
            fromMm: 0,
            widthsMm: [28, 40, 55],
          },
          zones: rings,
        },
      ],
    },
  };
  const layer = (name: string, colours: CoatColour[], more: Partial<Coat> = {}): Coat => ({
    ...withTechnique(newCoat("colour", name, coating, id), "palm-blend", id),
    name,
    filmMm: 1.5,
    startsAfter: "next-day",
    colours,
    ...more,
  });
  const around = [crystals, first, second, third];
  return {
    ...emptyJob(),
    ground: "primed",
    notes: "Crystals are wetted with clear before they are set, ring by ring from the hollow out.",
    pieces: [piece],
    coats: [
      layer(
        "Layer 1, ground",
        [colour("Deep blue", 0.7, [rest, third]), colour("Pearl white", 0.3, [crystals, first, second])],
        { startsAfter: "wet" },
      ),
      layer("Layer 2, rings", [
        colour("Clear", 0.3, [crystals]),
        colour("Brass", 0.3, [first, third]),
        colour("Pearl white", 0.25, [second]),
        colour("Deep blue", 0.15, [rest]),
      ]),
      layer("Layer 3, crystals", [colour("Clear", 0.8), colour("Copper", 0.2, [first])], {
        zonesByPiece: { [piece.id]: around.slice(0, 2).map((own) => own.id) },
        embeds: [
          {
            id: id(),
            name: "Quartz points",
            kind: "crystals",
            massG: 0,
            densityGPerMl: 2.65,
            lockedShare: 0.4,
            single: {
              sizeMm: 15,
              many: { by: "area", perM2: (140 * MM2_PER_M2) / MM2_PER_FT2 },
              zoneIds: [crystals.id],
            },
          },
          {
            id: id(),
            name: "Broken glass",
            kind: "glass",
            massG: 0,
            densityGPerMl: 2.5,
            lockedShare: 0.5,
            single: {
              sizeMm: 7,
              many: { by: "line", perM: (22 * 1000) / MM_PER_FOOT },
              zoneIds: [crystals.id],
            },
          },
        ],
      }),
      { ...newCoat("clear", "Layer 4, clear", coating, id), startsAfter: "next-day" },
    ],
  };
}
