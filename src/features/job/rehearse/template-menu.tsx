"use client";

import { templateSvg } from "@/core/drawing-files/template-svg";
import { veinTemplate } from "@/core/drawing-files/vein-template";
import type { Measured } from "@/core/geometry/measure";
import { asFileName } from "@/core/units/cut-text";
import type { tapeList } from "@/core/veins/tape";
import { Menu, MenuItem } from "@/ui/menu";
import { saveFile } from "@/ui/save-file";
import { useJobFile } from "../workspace/use-job-file";

const fileName = ({ name }: Measured) => asFileName(`veins ${name}`);

/** The template of a piece: on paper in full scale, or for a plotter. */
export function TemplateMenu({
  piece,
  list,
  jobId,
}: {
  piece: Measured;
  list: ReturnType<typeof tapeList>;
  jobId: string;
}) {
  const file = useJobFile();
  const pdf = (paper: "a4" | "letter") => () =>
    void file(`/jobs/${jobId}/sheets/veins.pdf?piece=${piece.id}&paper=${paper}`);
  return (
    <Menu label={`template of ${piece.name}`}>
      <MenuItem onSelect={pdf("a4")}>PDF, full scale, A4</MenuItem>
      <MenuItem onSelect={pdf("letter")}>PDF, full scale, Letter</MenuItem>
      <MenuItem
        onSelect={() =>
          saveFile(
            `${fileName(piece)}.svg`,
            "image/svg+xml",
            templateSvg(piece.name, veinTemplate(piece, list)),
          )
        }
      >
        SVG
      </MenuItem>
      <MenuItem
        onSelect={async () => {
          const { templateDxf } = await import("@/core/drawing-files/template-dxf");
          saveFile(`${fileName(piece)}.dxf`, "application/dxf", templateDxf(veinTemplate(piece, list)));
        }}
      >
        DXF
      </MenuItem>
    </Menu>
  );
}
