import { DxfWriter, LWPolylineFlags, point2d, Units } from "@tarikjabiri/dxf";
import { layerName, type Template } from "./template";

const COLOUR = 7;

/** A template as an ASCII DXF in millimetres: layers OUTLINE, CUTOUTS, FACES, and one or two for each vein and zone. */
export function templateDxf({ lines }: Template): string {
  const drawing = new DxfWriter();
  drawing.setUnits(Units.Millimeters);
  // A DXF counts y upwards.
  const foot = lines[0]?.points.reduce((low, { y }) => Math.max(low, y), -Infinity) ?? 0;
  for (const line of lines) {
    const name = layerName(line);
    if (!drawing.tables.layerTable.exist(name)) drawing.addLayer(name, COLOUR, "Continuous");
    drawing.addLWPolyline(
      line.points.map(({ x, y }) => ({ point: point2d(x, foot - y) })),
      { flags: line.closed ? LWPolylineFlags.Closed : LWPolylineFlags.None, layerName: name },
    );
  }
  return drawing.stringify();
}
