import type { Point } from "./curves";
import { cutOutRing } from "./cut-out";
import type { Fault } from "./fault";
import { diameterAlong, unrolledWall } from "./frustum";
import { draftedVolume, shrinkTerm } from "./mould";
import { freeRing, outlineOf } from "./outline";
import { edgeOf, edgesOf, edgeWords, type CutOut, type Piece, type Station } from "./piece";
import { liesInside, ringAreaMm2, ringsOverlap, ringTroubles, type RingTrouble } from "./ring";
import { widthAt } from "./stations";

const LEAST_MM = 10;
const tooSmall = (what: string) => `${what} is at least 10 mm (3/8 in) each way.`;
const SIZES_OF_OWN = new Set([
  "sides",
  "mitreLeftDeg",
  "mitreRightDeg",
  "overhangMm",
  "rimBandMm",
  "draftDeg",
]);

/** Sides nearer to each other than this leave nothing between them, mm. */
const NECK_MM = 1;

/** What is said of a trouble: corners count from 1; on a smooth line the drawing's mark shows the place. */
function ringFault(trouble: RingTrouble, at: string, what: string, curved: boolean): Fault {
  const place = curved ? "where it is marked" : `at corner ${trouble.index + 1}`;
  switch (trouble.kind) {
    case "double":
      return { at, message: `${what} has two corners in one place, ${place}.`, where: trouble.at };
    case "crosses":
      return {
        at,
        message: `${what} crosses or touches itself, ${place}${curved ? "" : ` and at corner ${trouble.other + 1}`}.`,
        where: trouble.at,
      };
    case "dense":
      return {
        at,
        message: `${what} lies beside itself in so many places that it cannot be checked, ${place} and after it. Draw it with fewer corners.`,
        where: trouble.at,
      };
    case "neck":
      return { at, message: `${what} has a neck narrower than ${NECK_MM} mm, ${place}.`, where: trouble.at };
  }
}

function ringFaults(points: readonly Point[], at: string, what: string, curved = false): Fault[] {
  if (points.length < 3) return [{ at, message: `${what} is not closed: it has fewer than three corners.` }];
  const troubles = ringTroubles(points, NECK_MM).map((trouble) => ringFault(trouble, at, what, curved));
  if (troubles.length > 0) return troubles;
  return ringAreaMm2(points) < LEAST_MM ** 2 ? [{ at, message: tooSmall(what) }] : [];
}

function stationFaults(stations: readonly Station[], what: string): Fault[] {
  if (stations.length < 2)
    return [{ at: "shape.stations", message: "Read the width in two places at least." }];
  const faults: Fault[] = [];
  const ordered = stations.map((station, index) => ({ station, index }));
  ordered.sort((a, b) => a.station.atMm - b.station.atMm);
  ordered.forEach(({ station, index }, place) => {
    const next = ordered[place + 1];
    if (next && next.station.atMm === station.atMm)
      faults.push({ at: `shape.stations.${next.index}`, message: "Two readings at the same place." });
    const width = widthAt(station);
    const end = place === 0 || place === ordered.length - 1;
    if (width < 0) faults.push({ at: `shape.stations.${index}`, message: "The lines cross here." });
    else if (width === 0 && !end)
      faults.push({ at: `shape.stations.${index}`, message: `${what} has no width here: make it two.` });
  });
  return faults;
}

/** Faults of sizes that must hold for the outline to be drawn at all. */
function shapeFaults({ shape }: Piece): Fault[] {
  const faults: Fault[] = [];
  for (const [field, size] of Object.entries(shape.kind === "mould" ? shape.outline : shape)) {
    if (field === "sides" && (!Number.isInteger(size) || Number(size) < 3 || Number(size) > 24))
      faults.push({ at: "shape.sides", message: "A polygon has 3 to 24 sides." });
    else if (typeof size === "number" && !SIZES_OF_OWN.has(field) && !(size >= LEAST_MM))
      faults.push({ at: `shape.${field}`, message: tooSmall("A piece") });
  }
  if (faults.length > 0) return faults;
  const say = (at: string, message: string) => faults.push({ at, message });
  switch (shape.kind) {
    case "straight": {
      const cut = (deg = 0) => shape.depthMm * Math.tan((deg * Math.PI) / 180);
      if (cut(shape.mitreLeftDeg) + cut(shape.mitreRightDeg) >= shape.lengthMm)
        say("shape.mitreRightDeg", "The two cuts meet before the front: the run is too short for them.");
      break;
    }
    case "l-run":
      if (shape.returnLengthMm <= shape.depthMm)
        say(
          "shape.returnLengthMm",
          "The return must be longer than the long leg is deep: both are measured from the corner at the wall.",
        );
      if (shape.returnDepthMm >= shape.lengthMm)
        say(
          "shape.returnDepthMm",
          "The return is as deep as the long leg is long: then it is one rectangle.",
        );
      break;
    case "u-run": {
      const message =
        "A return must be longer than the run is deep: both are measured from the corner at the wall.";
      if (shape.leftLengthMm <= shape.depthMm) say("shape.leftLengthMm", message);
      if (shape.rightLengthMm <= shape.depthMm) say("shape.rightLengthMm", message);
      if (shape.leftDepthMm + shape.rightDepthMm >= shape.lengthMm)
        say(
          "shape.rightDepthMm",
          "The two returns are together as deep as the run is long: nothing is left between them.",
        );
      break;
    }
    case "rectangle": {
      const [bl, br, fr, fl] = shape.cornerRadiiMm ?? [0, 0, 0, 0];
      if (Math.max(bl + br, fl + fr) > shape.lengthMm || Math.max(bl + fl, br + fr) > shape.depthMm)
        say("shape.cornerRadiiMm", "Two radii together are longer than the side between them.");
      break;
    }
    case "free":
    case "floor":
      faults.push(...ringFaults(freeRing(shape), "shape.points", "The outline", shape.curved));
      break;
    case "offsets":
      faults.push(...stationFaults(shape.stations, "The piece"));
      break;
    case "river":
      faults.push(...stationFaults(shape.stations, "The channel"));
      break;
    case "tumbler":
      faults.push(...tumblerFaults(shape));
      break;
    case "mould":
      if (shape.outline.kind === "free")
        faults.push(
          ...ringFaults(freeRing(shape.outline), "shape.points", "The outline", shape.outline.curved),
        );
      break;
  }
  return faults;
}

function tumblerFaults(shape: Extract<Piece["shape"], { kind: "tumbler" }>): Fault[] {
  const faults: Fault[] = [];
  const { slantMm } = unrolledWall(shape.topDiameterMm, shape.bottomDiameterMm, shape.heightMm);
  if (shape.rimBandMm >= slantMm)
    faults.push({
      at: "shape.rimBandMm",
      message: "The bare band is as high as the tumbler: nothing is coated.",
    });
  if (!shape.patch) return faults;
  const { widthMm, heightMm, fromBottomMm } = shape.patch;
  if (!(widthMm > 0) || !(heightMm > 0))
    faults.push({ at: "shape.patch", message: "The blank patch has no size." });
  else if (fromBottomMm + heightMm > slantMm - shape.rimBandMm)
    faults.push({ at: "shape.patch", message: "The blank patch reaches into the bare band at the rim." });
  else if (
    widthMm >=
    Math.PI * Math.min(diameterAlong(shape, fromBottomMm), diameterAlong(shape, fromBottomMm + heightMm))
  )
    faults.push({ at: "shape.patch", message: "The blank patch is wider than the way around the tumbler." });
  return faults;
}

/** Faults that need the outline: a mould whose walls meet, corners too small for what an outline has become. */
function outlineFaults(piece: Piece): Fault[] {
  const { shape } = piece;
  if (shape.kind === "mould") {
    const outline = outlineOf(piece);
    const drafted = draftedVolume(
      outline.areaMm2,
      outline.perimeterMm,
      shrinkTerm(outline.corners, outline.smooth),
      shape.depthMm,
      shape.draftDeg,
    );
    if (!(drafted.bottomMm2 > 0) || drafted.leanMm * 2 >= Math.min(outline.widthMm, outline.heightMm))
      return [{ at: "shape.draftDeg", message: "With this draft the walls meet above the bottom." }];
  }
  if (shape.kind === "offsets" || shape.kind === "river")
    return ringFaults(outlineOf(piece).corners, "shape.stations", "The outline").filter(
      // An end that runs to a point has two corners in one place, and that is meant.
      (fault) => !fault.message.includes("two corners"),
    );
  return [];
}

function edgeFaults(piece: Piece): Fault[] {
  const faults: Fault[] = [];
  for (const name of edgesOf(piece.shape)) {
    const edge = edgeOf(piece, name);
    if (edge.treatment !== "face" && edge.treatment !== "dam") continue;
    if (edge.treatment === "face" && edge.heightMm <= 0)
      faults.push({
        at: `edges.${name}.heightMm`,
        message: `The face at the ${edgeWords(name)} has no height.`,
      });
    else if (edge.heightMm > 0 && edge.roundingMm > edge.heightMm)
      faults.push({
        at: `edges.${name}.roundingMm`,
        message: "The rounding is larger than the face is high.",
      });
  }
  return faults;
}

const sizesOf = ({ shape }: CutOut): number[] => {
  switch (shape.kind) {
    case "round":
      return [shape.diameterMm];
    case "oval":
    case "rectangle":
      return [shape.lengthMm, shape.depthMm];
    case "free":
      return [];
  }
};

function cutOutFaults(piece: Piece): Fault[] {
  const outline = outlineOf(piece);
  const faults: Fault[] = [];
  const rings = piece.cutOuts.map((cutOut) => cutOutRing(cutOut, outline));
  piece.cutOuts.forEach((cutOut, index) => {
    const at = `cutOuts.${cutOut.id}`;
    if (sizesOf(cutOut).some((size) => !(size > 0))) {
      faults.push({ at, message: `${cutOut.name} has no size.` });
      return;
    }
    const ring = rings[index] as Point[];
    if (cutOut.shape.kind === "free") {
      const found = ringFaults(ring, at, cutOut.name);
      faults.push(...found);
      if (found.length > 0) return;
    }
    if (!liesInside(ring, outline.corners))
      faults.push({
        at,
        message: `${cutOut.name} reaches over the edge of ${piece.name}. Make it smaller or move it in.`,
        where: ring[0] as Point,
      });
    const hit = piece.cutOuts
      .slice(0, index)
      .findIndex(
        (earlier, before) =>
          sizesOf(earlier).every((size) => size > 0) && ringsOverlap(rings[before] as Point[], ring),
      );
    if (hit >= 0) faults.push({ at, message: `${cutOut.name} and ${piece.cutOuts[hit]?.name} overlap.` });
    if (cutOut.innerFace && cutOut.innerFace.heightMm <= 0)
      faults.push({ at: `${at}.innerFace`, message: `The inner face of ${cutOut.name} has no height.` });
    if (cutOut.innerFace && cutOut.innerFace.roundingMm > cutOut.innerFace.heightMm)
      faults.push({ at: `${at}.innerFace`, message: "The rounding is larger than the face is high." });
  });
  return faults;
}

/** Everything about a piece that cannot be, each at its field. An empty list means that it can be measured. */
export function faultsOf(piece: Piece): Fault[] {
  const first = shapeFaults(piece);
  if (first.length > 0) return first;
  const faults = [...outlineFaults(piece), ...edgeFaults(piece), ...cutOutFaults(piece)];
  for (const hollow of piece.voids ?? [])
    if (!(hollow.lengthMm > 0 && hollow.widthMm > 0 && hollow.depthMm > 0))
      faults.push({ at: `voids.${hollow.id}`, message: `${hollow.name} has no size.` });
  if (!Number.isInteger(piece.count) || piece.count < 1)
    faults.push({ at: "count", message: "There must be at least one." });
  return faults;
}
