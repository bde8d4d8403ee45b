import type { ColourLooks } from "@/core/plan/colour-plan";

/** A film as it lies: lit across where it shimmers; at its foot the bare ground, so that what shines through is seen. */
export function FilmTile({
  looks,
  underHex,
  label,
  height = 132,
}: {
  looks: ColourLooks;
  underHex: string;
  label: string;
  height?: number;
}) {
  const stops = looks.look?.swatch ?? [looks.hex];
  const background =
    stops.length > 1 ? `linear-gradient(100deg, ${stops.join(", ")})` : (stops[0] ?? looks.hex);
  return (
    <div role="img" aria-label={label} className="border border-ink" style={{ height }}>
      <div style={{ height: "82%", background }} />
      <div style={{ height: "18%", background: underHex }} />
    </div>
  );
}
