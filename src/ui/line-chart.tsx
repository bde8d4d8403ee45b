"use client";

import {
  Chart,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  type ChartConfiguration,
  type Plugin,
} from "chart.js";
import { useEffect, useRef } from "react";

Chart.register(LineController, LineElement, PointElement, LinearScale);

export type ChartLine = {
  name: string;
  points: readonly { x: number; y: number }[];
  /** Dashes and width tell lines apart, not colour. */
  dash?: readonly number[];
  width?: number;
};

const INK = "#1e2124";
const SOFT = "#55544f";
const LINE = "#c4beb1";
const FONT = { family: "Archivo Variable", size: 12 };

/** Names at the end of their lines, so that no key has to be read. */
const endNames: Plugin<"line"> = {
  id: "endNames",
  afterDatasetsDraw: (chart) => {
    const { ctx, chartArea, data } = chart;
    ctx.save();
    ctx.font = `${FONT.size}px ${FONT.family}`;
    ctx.fillStyle = INK;
    let taken = -Infinity;
    const ends = data.datasets
      .map((set, index) => ({ name: set.label ?? "", at: chart.getDatasetMeta(index).data.at(-1) }))
      .filter(({ at }) => at !== undefined)
      .sort((a, b) => (a.at?.y ?? 0) - (b.at?.y ?? 0));
    for (const { name, at } of ends) {
      const y = Math.max((at?.y ?? 0) + 4, taken + 14);
      taken = y;
      ctx.fillText(name, chartArea.right + 6, y);
    }
    ctx.restore();
  },
};

/** Lines over a common axis, in ink on the ground. */
export function LineChart({
  lines,
  xName,
  yName,
  height,
  label,
}: {
  lines: readonly ChartLine[];
  xName: string;
  yName: string;
  height: number;
  /** What it shows, for those who do not see it. */
  label: string;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const element = canvas.current;
    if (!element) return;
    const axis = (text: string) => ({
      type: "linear" as const,
      title: { display: true, text, font: FONT, color: SOFT },
      ticks: { font: FONT, color: SOFT, maxTicksLimit: 6 },
      grid: { color: LINE, drawTicks: false },
      border: { color: INK },
    });
    const config: ChartConfiguration<"line", { x: number; y: number }[]> = {
      type: "line",
      data: {
        datasets: lines.map(({ name, points, dash = [], width = 2 }) => ({
          label: name,
          data: [...points],
          borderColor: INK,
          borderWidth: width,
          borderDash: [...dash],
          pointRadius: 0,
        })),
      },
      options: {
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        layout: { padding: { right: 74 } },
        scales: { x: axis(xName), y: axis(yName) },
      },
      plugins: [endNames],
    };
    const chart = new Chart(element, config);
    return () => chart.destroy();
  }, [lines, xName, yName]);
  return (
    <div style={{ height }} className="relative">
      <canvas ref={canvas} role="img" aria-label={label} />
    </div>
  );
}
