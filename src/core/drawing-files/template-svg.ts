import { escaped, n, pathOf } from "./svg-text";
import { layerName, templateBox, type Template, type TemplateLine } from "./template";

const LOOK: Record<TemplateLine["layer"], string> = {
  outline: 'fill="none" stroke="#1e2124" stroke-width="0.6"',
  "cut-out": 'fill="none" stroke="#1e2124" stroke-width="0.6"',
  face: 'fill="none" stroke="#1e2124" stroke-width="0.3" stroke-dasharray="4 2"',
  vein: 'fill="none" stroke="#1e2124" stroke-width="0.25"',
  "vein-edge": 'fill="#1e2124" fill-opacity="0.25" stroke="none"',
  zone: 'fill="none" stroke="#1e2124" stroke-width="0.4"',
};
/** From the lowest up. */
const ORDER: readonly TemplateLine["layer"][] = ["face", "vein-edge", "vein", "zone", "outline", "cut-out"];

/** A template as an SVG in true scale: one user unit is a millimetre, and so says its size. Each vein and zone is a group of its own. */
export function templateSvg(title: string, { lines, words }: Template): string {
  const { minX, minY, maxX, maxY } = templateBox(lines);
  const [wide, high] = [maxX - minX + 2, maxY - minY + 2];
  const groups = new Map<string, string[]>();
  for (const layer of ORDER)
    for (const line of lines.filter((line) => line.layer === layer)) {
      const name = layerName(line);
      const mark = line.layer === "zone" || line.number === null ? "" : ` data-vein="${line.number}"`;
      const path = `<path d="${pathOf(line.points, line.closed)}" ${LOOK[layer]}${mark}/>`;
      groups.set(name, [...(groups.get(name) ?? []), path]);
    }
  const drawn = [...groups].map(([name, paths]) => `<g id="${name}">${paths.join("")}</g>`).join("");
  const size = n(Math.max(4, Math.min(wide, high) / 40));
  const texts = words
    .map(
      ({ at, words }) =>
        `<text x="${n(at.x)}" y="${n(at.y)}" font-size="${size}" font-family="sans-serif" text-anchor="middle" fill="#1e2124">${escaped(words)}</text>`,
    )
    .join("");
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${n(wide)}mm" height="${n(high)}mm" viewBox="${n(minX - 1)} ${n(minY - 1)} ${n(wide)} ${n(high)}"><title>${escaped(title)}</title>${drawn}${texts && `<g id="NAMES">${texts}</g>`}</svg>
`;
}
