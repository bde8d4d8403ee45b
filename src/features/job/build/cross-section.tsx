"use client";

import { zoneNamesOf } from "@/core/job/builds";
import { useJob } from "../workspace/use-job";
import { GROUNDS, type Ground } from "@/core/batch/grounds";
import { useId } from "react";
import type { CoatColour } from "@/core/batch/coat-colour";
import { liesOnTop, type Coat } from "@/core/schedule/coat";
import type { UnitSystem } from "@/core/units/dimension";
import { quantityText } from "@/core/units/format-quantity";
import { FilmTexture } from "@/ui/film-texture";
import { InGround, placesInGround } from "./in-ground";

/** What every section shows: the coats over their ground, one of them picked, on a stage of a size. */
export type SectionProps = {
  coats: readonly Coat[];
  ground: Ground;
  system: UnitSystem;
  selectedId: string | null;
  onSelect: (coatId: string) => void;
  width: number;
  height: number;
};

/** What it is cut through: a counter's edge, or the middle of a floor, a tumbler's wall, a mould. */
export type SectionForm = "edge" | "floor" | "wall" | "mould";
const FORM_WORDS: Record<SectionForm, string> = { edge: "", floor: "", wall: "wall of ", mould: "" };
/** What is thin is drawn thin. */
const THIN_HEIGHT = 46;

/** Left edge of the layers: before it stand their names. */
const LEFT = 190;
const GROUND_HEIGHT = 170;
const LABEL_ROOM = 46;
/** A coat on some zones names them in a line more. */
const ZONES_ROOM = 17;
/** CSS pixels to a millimetre on a screen of 96 dpi. */
const PX_PER_MM = 96 / 25.4;

/** A ground is drawn paler than it is, so that names on it can be read. */
const paler = (hex: string) => `color-mix(in srgb, ${hex} 62%, #f6f3ec)`;

/** The way over the edge: from the left, around a rounded corner, down the face; straight off where no edge is drawn. */
function overEdge(top: number, right: number, radius: number, bottom: number): string {
  if (radius === 0) return `M${LEFT} ${top}H${right}V${bottom}`;
  const round = Math.max(2, radius);
  return `M${LEFT} ${top}H${right - round}A${round} ${round} 0 0 1 ${right} ${top + round}V${bottom}`;
}

/** Whether ink would not be seen on a colour. */
const isDark = (hex: string) =>
  parseInt(hex.slice(1, 3), 16) + parseInt(hex.slice(3, 5), 16) + parseInt(hex.slice(5, 7), 16) < 150;

type LayerPlace = {
  coat: Coat;
  top: number;
  middle: number;
  edge: number;
  thickness: number;
  radius: number;
};

/** A coat with all that lies under it as one shape: what is under is drawn over it afterwards. */
function Layer({ layer, bottom, id }: { layer: LayerPlace; bottom: number; id: string }) {
  const { coat, top, edge, thickness, radius } = layer;
  const bodies =
    coat.colours.length > 0
      ? coat.colours
      : [{ id: "none", hex: "#f3f0e9", look: "clear", share: 1 } as CoatColour];
  const shape = `${overEdge(top, edge, radius, bottom)}H${LEFT}Z`;
  // Its colours lie in it as wavy strata, thick by their share.
  const strata = bodies.reduce<{ colour: CoatColour; level: number }[]>((list, colour) => {
    const before = list[list.length - 1];
    return [
      ...list,
      { colour, level: before ? before.level - before.colour.share * thickness : top + thickness },
    ];
  }, []);
  return (
    <g>
      <clipPath id={`${id}-clip`}>
        <path d={shape} />
      </clipPath>
      <g clipPath={`url(#${id}-clip)`}>
        {strata.map(({ colour, level }, index) => {
          const sway = Math.min(thickness * 0.3, 9);
          const wave = Array.from({ length: 61 }, (_, point) => {
            const x = LEFT + ((edge - LEFT) * point) / 60;
            return `${x} ${level + sway * Math.sin(point * 0.21 + index * 2.1) * Math.sin(point * 0.067 + index)}`;
          });
          const body = index === 0 ? shape : `M${wave.join("L")}V${top - 20}H${LEFT}Z`;
          return (
            <g key={colour.id}>
              <path d={body} fill={colour.hex} />
              <path d={body} fill={`url(#${id}-${colour.look})`} />
            </g>
          );
        })}
      </g>
      <path
        d={shape}
        fill="none"
        stroke={isDark(bodies[0]?.hex ?? "") ? "var(--color-line-strong)" : "var(--color-ink)"}
        strokeWidth="1.1"
      />
    </g>
  );
}

/** Veins: cracks of colour in the surface, as wide as their share. */
function Veins({ coat, top, depth, right }: { coat: Coat; top: number; depth: number; right: number }) {
  return (
    <g>
      {coat.colours.map((colour, index) => {
        const x = LEFT + (right - LEFT) * (0.24 + 0.29 * index);
        const wide = 4 + colour.share * 7;
        return (
          <path
            key={colour.id}
            d={`M${x} ${top}l${wide} 0l-2 ${depth * 0.45}l5 ${depth * 0.3}l-7 ${depth * 0.25}l-1 ${-depth * 0.3}l-5 ${-depth * 0.3}z`}
            fill={colour.hex}
            stroke="var(--color-ink)"
            strokeWidth="0.7"
          />
        );
      })}
    </g>
  );
}

/** The coats as a cross-section, films to one exaggerated scale. */
export function CrossSection({
  coats,
  ground,
  form,
  system,
  selectedId,
  onSelect,
  width,
  height,
}: SectionProps & { form: SectionForm }) {
  const id = useId();
  const { document } = useJob();
  const laid = coats.filter(liesOnTop);
  const full = laid.filter((coat) => coat.kind !== "vein");
  const totalMm = full.reduce((sum, coat) => sum + coat.filmMm, 0);
  const flat = form !== "edge";
  const groundHeight = form === "wall" ? THIN_HEIGHT : GROUND_HEIGHT;
  const room = Math.max(80, height - groundHeight - 92);
  const pxPerMm = totalMm > 0 ? Math.min(150, room / totalMm) : 60;
  const groundTop = height - groundHeight - 14;
  const bottom = height - 14;
  const right = flat ? width - 24 : Math.max(LEFT + 150, width - 40 - totalMm * pxPerMm * 0.72);

  const layers = laid.reduce<LayerPlace[]>((list, coat) => {
    const under = list[list.length - 1] ?? { top: groundTop, edge: right, radius: flat ? 0 : 9 };
    const thickness = coat.kind === "vein" ? 0 : Math.max(2, coat.filmMm * pxPerMm);
    // Faces drain: the film is drawn thinner there, as the plan's share says.
    const side = coat.coversFaces && !flat ? thickness * 0.6 : 0;
    const top = under.top - thickness;
    return [
      ...list,
      {
        coat,
        top,
        middle: top + (thickness || 8) / 2,
        edge: under.edge + side,
        thickness,
        radius: under.radius + side,
      },
    ];
  }, []);

  const inGround = placesInGround(coats, { left: LEFT, right, top: groundTop, bottom });

  // Names at the left, from the top down, kept apart.
  const places = [
    ...layers.map(({ coat, middle }) => ({ coat, x: LEFT - 4, y: middle })).reverse(),
    ...inGround.map(({ coat, x, y }) => ({ coat, x, y })).sort((a, b) => a.y - b.y),
  ];
  const labels = places.reduce<{ coat: Coat; y: number; target: { x: number; y: number } }[]>(
    (list, place) => {
      const before = list[list.length - 1];
      return [
        ...list,
        {
          coat: place.coat,
          y: Math.max(
            before ? before.y + LABEL_ROOM + (before.coat.zonesByPiece ? ZONES_ROOM : 0) : 46,
            Math.min(place.y - 8, height - LABEL_ROOM * (places.length - list.length)),
          ),
          target: place,
        },
      ];
    },
    [],
  );

  return (
    <div className="relative" style={{ width, height }}>
      <svg width={width} height={height} aria-hidden className="block">
        <defs>
          <pattern id={`${id}-ground`} width="9" height="9" patternUnits="userSpaceOnUse">
            <circle cx="2" cy="3" r="0.9" fill={GROUNDS[ground].hex} />
            <circle cx="6.5" cy="7" r="0.7" fill={GROUNDS[ground].hex} />
          </pattern>
          {coats.map((coat) =>
            (["opaque", "metallic", "tint", "clear"] as const).map((look) => (
              <FilmTexture key={`${coat.id}-${look}`} id={`${id}-${coat.id}-${look}`} look={look} />
            )),
          )}
        </defs>
        <text x={0} y={14} fontSize="12" fill="var(--color-ink-soft)">
          {full.length > 0 && pxPerMm >= PX_PER_MM * 1.5
            ? `Film drawn ${Math.round(pxPerMm / PX_PER_MM)} times too thick`
            : "Film"}
          {inGround.length > 0 && ", fills not to scale"}
        </text>
        <path d={`M0 24v8M0 28h${pxPerMm}M${pxPerMm} 24v8`} stroke="var(--color-ink)" fill="none" />
        <text x={pxPerMm + 7} y={32} fontSize="12" fill="var(--color-ink-soft)">
          1 mm · 39 mil
        </text>
        {[...layers]
          .reverse()
          .map(
            (layer) =>
              layer.coat.kind !== "vein" && (
                <Layer key={layer.coat.id} layer={layer} bottom={bottom} id={`${id}-${layer.coat.id}`} />
              ),
          )}
        <path
          d={`${overEdge(groundTop, right, flat ? 0 : 9, bottom)}H${LEFT}Z`}
          fill={paler(GROUNDS[ground].hex)}
        />
        <path
          d={`${overEdge(groundTop, right, flat ? 0 : 9, bottom)}H${LEFT}Z`}
          fill={`url(#${id}-ground)`}
          stroke="var(--color-ink)"
        />
        <text x={LEFT + 18} y={bottom - (form === "wall" ? 16 : 22)} fontSize="14" fill="var(--color-ink)">
          {FORM_WORDS[form]}
          {GROUNDS[ground].words}
        </text>
        {inGround.map((place) => (
          <InGround key={place.coat.id} place={place} textureId={`${id}-${place.coat.id}`} />
        ))}
        {layers.map(
          (layer) =>
            layer.coat.kind === "vein" && (
              <Veins
                key={layer.coat.id}
                coat={layer.coat}
                top={layer.top}
                depth={Math.min(26, (groundTop - layer.top) * 0.6)}
                right={layer.edge}
              />
            ),
        )}
        {labels.map(({ coat, y, target }) => (
          <path
            key={coat.id}
            d={`M${LEFT - 34} ${y + 9}h8L${target.x} ${target.y}`}
            fill="none"
            stroke={coat.id === selectedId ? "var(--color-signal)" : "var(--color-ink-soft)"}
            strokeWidth="1"
          />
        ))}
      </svg>
      {labels.map(({ coat, y }) => (
        <button
          key={coat.id}
          type="button"
          aria-pressed={coat.id === selectedId}
          onClick={() => onSelect(coat.id)}
          className={`absolute text-left w-[152px] leading-[17px] hover:underline underline-offset-4 ${coat.id === selectedId ? "text-signal" : ""}`}
          style={{ left: 0, top: y }}
        >
          <span className="font-semibold block truncate">{coat.name}</span>
          {coat.zonesByPiece && (
            <span className="text-xs block truncate">on {zoneNamesOf(coat, document.pieces).join(", ")}</span>
          )}
          <span className={`text-xs no-underline ${coat.id === selectedId ? "" : "text-ink-soft"}`}>
            {coat.kind === "vein"
              ? `on ${Math.round(coat.coverShare * 1000) / 10} % of the top`
              : coat.kind === "fill"
                ? `${Math.round(coat.coverShare * 1000) / 10} % of the fill`
                : coat.kind === "prefill"
                  ? "voids, filled first"
                  : quantityText(coat.filmMm, "film", system)}
          </span>
        </button>
      ))}
    </div>
  );
}
