import { DxfWriter, LWPolylineFlags, point2d, Units } from "@tarikjabiri/dxf";
import type { Measured } from "../geometry/measure";
import type { PieceVein } from "../veins/tape";
import { templateLines, type TemplateLine } from "./vein-template";

const COLOUR = 7;

/** A piece with its veins as an ASCII DXF in millimetres: layers OUTLINE, CUTOUTS, FACES, and for each vein its middle and its edges. */
export function veinDxf(piece: Measured, veins: readonly PieceVein[]): string {
  const drawing = new DxfWriter();
  drawing.setUnits(Units.Millimeters);
  const layerOf = ({ layer, vein }: TemplateLine): string => {
    switch (layer) {
      case "outline":
        return "OUTLINE";
      case "cut-out":
        return "CUTOUTS";
      case "face":
        return "FACES";
      case "vein":
        return `VEIN-${vein}`;
      case "vein-edge":
        return `VEIN-${vein}-EDGES`;
    }
  };
  const lines = templateLines(piece, veins);
  // A DXF counts y upwards.
  const foot = lines[0]?.points.reduce((low, { y }) => Math.max(low, y), -Infinity) ?? 0;
  for (const line of lines) {
    const name = layerOf(line);
    if (!drawing.tables.layerTable.exist(name)) drawing.addLayer(name, COLOUR, "Continuous");
    drawing.addLWPolyline(
      line.points.map(({ x, y }) => ({ point: point2d(x, foot - y) })),
      { flags: line.closed ? LWPolylineFlags.Closed : LWPolylineFlags.None, layerName: name },
    );
  }
  return drawing.stringify();
}
