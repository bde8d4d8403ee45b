import { DxfWriter, LWPolylineFlags, point2d, point3d, Units } from "@tarikjabiri/dxf";
import type { Point } from "../geometry/curves";
import { cutOutCentre, cutOutRing } from "../geometry/cut-out";
import { outlineOf } from "../geometry/outline";
import { edgeOf, type Piece } from "../geometry/piece";

const COLOUR = 7;

/** A piece as an ASCII DXF in millimetres: layers OUTLINE, CUTOUTS, JOINTS and one for each way an edge is treated. */
export function pieceDxf(piece: Piece): string {
  const outline = outlineOf(piece);
  const drawing = new DxfWriter();
  drawing.setUnits(Units.Millimeters);
  const layer = (name: string) => {
    if (!drawing.tables.layerTable.exist(name)) drawing.addLayer(name, COLOUR, "Continuous");
    return { layerName: name };
  };
  // A DXF counts y upwards.
  const turned = ({ x, y }: Point) => ({ point: point2d(x, outline.heightMm - y) });
  const line = (points: readonly Point[], closed: boolean, name: string) =>
    drawing.addLWPolyline(points.map(turned), {
      flags: closed ? LWPolylineFlags.Closed : LWPolylineFlags.None,
      ...layer(name),
    });
  line(outline.corners, true, "OUTLINE");
  for (const cutOut of piece.cutOuts) {
    if (cutOut.shape.kind === "round") {
      const { x, y } = cutOutCentre(cutOut, outline);
      drawing.addCircle(point3d(x, outline.heightMm - y), cutOut.shape.diameterMm / 2, layer("CUTOUTS"));
    } else line(cutOutRing(cutOut, outline), true, "CUTOUTS");
  }
  for (const joint of outline.joints) line(joint, false, "JOINTS");
  for (const { name, path } of outline.sides) {
    const { treatment } = edgeOf(piece, name);
    line(path, false, `EDGE-${treatment.toUpperCase()}`);
  }
  return drawing.stringify();
}
