"use client";

import { useEffect, useRef } from "react";
import { CELLS_OFF, SHARE_OFF, type Measures, type PhotoJudged } from "@/core/inspect/photo/judge-photo";
import { photoWords } from "@/core/inspect/photo/photo-words";
import type { UnitSystem } from "@/core/units/dimension";
import { decimal, quantityText } from "@/core/units/format-quantity";
import { listWords } from "@/core/units/list-words";

const percent = (share: number) => decimal(100 * share, 0);

/** What a photo says, beside the rehearsal and the approved board: in words, straight and balanced, and as numbers. */
export function JudgedPhoto({
  judged,
  system,
  approved,
}: {
  judged: Extract<PhotoJudged, { ok: true }>;
  system: UnitSystem;
  approved: readonly number[] | null;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { looks, seen, rehearsed, straight } = judged;
  useEffect(() => {
    const drawing = canvas.current?.getContext("2d");
    if (!drawing) return;
    const picture = new ImageData(straight.width, straight.height);
    picture.data.set(straight.pixels);
    drawing.putImageData(picture, 0, 0);
  }, [straight]);
  const rows = looks
    .map((look, n) => ({ ...look, n }))
    .filter(({ n }) => [seen.onTop, rehearsed.onTop, approved ?? []].some((of) => (of[n] ?? 0) > 0.005));
  const near = rows.filter(({ nearly }) => nearly.length > 0).map(({ name }) => name);
  const row = (name: string, of: (measures: Measures) => string) => (
    <tr key={name} className="border-t border-line">
      <td className="py-1">{name}</td>
      <td className="text-right figure">{of(seen)}</td>
      <td className="text-right text-ink-soft">{of(rehearsed)}</td>
      {approved && <td />}
    </tr>
  );
  return (
    <div className="mt-2">
      {photoWords(judged, system, approved).map((words) => (
        <p key={words} className="border-l-[3px] border-ink pl-3 mb-2">
          {words}
        </p>
      ))}
      <canvas
        ref={canvas}
        width={straight.width}
        height={straight.height}
        role="img"
        aria-label="The photo, set straight and balanced"
        className="w-full max-h-56 object-contain my-3"
      />
      <table className="w-full text-sm">
        <thead>
          <tr className="label text-left">
            <th className="font-normal py-1">On top</th>
            <th className="font-normal text-right">in the photo, ± {SHARE_OFF}</th>
            <th className="font-normal text-right">rehearsed</th>
            {approved && <th className="font-normal text-right">approved, ± {SHARE_OFF}</th>}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ name, hex, n }) => (
            <tr key={n} className="border-t border-line">
              <td className="py-1">
                <span
                  className="inline-block w-8 h-3.5 mr-2 border border-line-strong align-[-2px]"
                  style={{ background: hex }}
                />
                {name}
              </td>
              <td className="text-right figure">{percent(seen.onTop[n] ?? 0)} %</td>
              <td className="text-right text-ink-soft">{percent(rehearsed.onTop[n] ?? 0)} %</td>
              {approved && <td className="text-right text-ink-soft">{percent(approved[n] ?? 0)} %</td>}
            </tr>
          ))}
          {rows
            .filter(({ n }) => seen.cells[n] && rehearsed.cells[n])
            .map(({ name, n }) =>
              row(`Cells of ${name}, ± ${percent(CELLS_OFF)} %`, ({ cells }) =>
                quantityText(cells[n] ?? 0, "length", system),
              ),
            )}
          {row("Mud", ({ mud }) => decimal(mud, 1))}
          {row("Apart from two steps back", ({ apart }) => `${percent(apart)} %`)}
          {row("Regularity", ({ regular }) => decimal(regular, 1))}
        </tbody>
      </table>
      <p className="label mt-2">
        Where colours have melted into each other a photo cannot tell black in white from a grey: such shares
        are off by more. Colours that look the same count as one
        {near.length > 0 &&
          `; ${listWords(near)} look nearly the same: their sum is sure, their parts are not`}
        .
      </p>
    </div>
  );
}
