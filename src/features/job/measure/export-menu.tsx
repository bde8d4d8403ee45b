"use client";

import { asFileName } from "@/core/units/cut-text";
import { outlineOf } from "@/core/geometry/outline";
import type { Piece } from "@/core/geometry/piece";
import { pieceSvg } from "@/core/drawing-files/write-svg";
import { Menu, MenuHeading, MenuItem } from "@/ui/menu";
import { saveFile } from "@/ui/save-file";
import { svgToPng } from "@/ui/svg-to-png";
import { useJob } from "../workspace/use-job";
import { useJobFile } from "../workspace/use-job-file";

const fileName = ({ name }: Piece) => asFileName(name) || "piece";

/** Long side of an exported picture, px. */
const PICTURE_PX = 2400;

/** The drawing as a file: in true scale for a saw or a plotter, dimensioned for a person. */
export function ExportMenu({ piece, jobId }: { piece: Piece; jobId: string }) {
  const { system, plan } = useJob();
  const file = useJobFile();
  const name = fileName(piece);
  const sheet = (kind: "piece" | "zones", paper: "a4" | "letter") => () =>
    void file(`/jobs/${jobId}/sheets/${kind}.pdf?piece=${piece.id}&paper=${paper}`);
  const zoned = plan.pieces.find(({ id, zones }) => id === piece.id && zones.length > 0);
  return (
    <Menu label="save the drawing">
      <MenuHeading>True scale, in millimetres</MenuHeading>
      <MenuItem onSelect={() => saveFile(`${name}.svg`, "image/svg+xml", pieceSvg(piece, null))}>
        SVG
      </MenuItem>
      <MenuItem
        onSelect={async () => {
          const { pieceDxf } = await import("@/core/drawing-files/write-dxf");
          saveFile(`${name}.dxf`, "application/dxf", pieceDxf(piece));
        }}
      >
        DXF
      </MenuItem>
      <MenuHeading>With its sizes</MenuHeading>
      <MenuItem onSelect={sheet("piece", "a4")}>PDF, A4</MenuItem>
      <MenuItem onSelect={sheet("piece", "letter")}>PDF, Letter</MenuItem>
      <MenuItem
        onSelect={async () => {
          const { widthMm, heightMm } = outlineOf(piece);
          const picture = await svgToPng(pieceSvg(piece, system), PICTURE_PX, widthMm / heightMm);
          saveFile(`${name}.png`, "image/png", picture);
        }}
      >
        PNG
      </MenuItem>
      <MenuItem onSelect={() => saveFile(`${name}, sizes.svg`, "image/svg+xml", pieceSvg(piece, system))}>
        SVG
      </MenuItem>
      {zoned && (
        <>
          <MenuHeading>Its zones, in full scale</MenuHeading>
          <MenuItem onSelect={sheet("zones", "a4")}>PDF, A4 sheets</MenuItem>
          <MenuItem onSelect={sheet("zones", "letter")}>PDF, Letter sheets</MenuItem>
          <MenuItem
            onSelect={async () => {
              const { templateSvg } = await import("@/core/drawing-files/template-svg");
              const { zoneTemplate } = await import("@/core/drawing-files/zone-template");
              saveFile(`${name}, zones.svg`, "image/svg+xml", templateSvg(piece.name, zoneTemplate(zoned)));
            }}
          >
            SVG, for a cutting plotter
          </MenuItem>
          <MenuItem
            onSelect={async () => {
              const { templateDxf } = await import("@/core/drawing-files/template-dxf");
              const { zoneTemplate } = await import("@/core/drawing-files/zone-template");
              saveFile(`${name}, zones.dxf`, "application/dxf", templateDxf(zoneTemplate(zoned)));
            }}
          >
            DXF
          </MenuItem>
        </>
      )}
    </Menu>
  );
}
