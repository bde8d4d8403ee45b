"use client";

import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  LinearScale,
  PointElement,
  ScatterController,
  type ChartConfiguration,
} from "chart.js";
import { useEffect, useRef } from "react";
import type { Forecast } from "@/core/learning/learn-volumes";
import { ODD_WEIGHT } from "@/core/learning/learn-volumes";
import type { UnitSystem } from "@/core/units/dimension";
import { quantityText } from "@/core/units/format-quantity";

Chart.register(BarController, BarElement, CategoryScale, LinearScale, PointElement, ScatterController);

const INK = "#1e2124";
const SOFT = "#55544f";
const LINE = "#c4beb1";
const BAND = "#a9a59b";
const FONT = { family: "Archivo Variable", size: 12 };

/** What each pour was foretold to take, as a band in which eight of ten should lie, and what it took: per cent of its forecast. */
export function ForecastChart({ forecasts, system }: { forecasts: readonly Forecast[]; system: UnitSystem }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const element = canvas.current;
    if (!element) return;
    const percent = (ml: number, of: number) => (100 * ml) / of;
    const labels = forecasts.map(({ jobName }, n) => `${n + 1} ${jobName}`);
    const config: ChartConfiguration<"bar" | "scatter", ([number, number] | number)[], string> = {
      type: "bar",
      data: {
        labels,
        datasets: [
          {
            type: "bar",
            label: "eight in ten",
            order: 1,
            data: forecasts.map(({ need: { mean, half80 } }): [number, number] => [
              percent(mean - half80, mean),
              percent(mean + half80, mean),
            ]),
            backgroundColor: BAND,
            barPercentage: 0.72,
            categoryPercentage: 0.9,
          },
          {
            type: "scatter",
            label: "used",
            order: 0,
            data: forecasts.map(({ seen, need }) => percent(seen, need.mean)),
            pointStyle: forecasts.map(({ held }) => (held ? "circle" : "rectRot")),
            pointRadius: forecasts.map(({ held }) => (held ? 4 : 6)),
            backgroundColor: forecasts.map(({ weight }) => (weight < ODD_WEIGHT ? "#e6e2da" : INK)),
            borderColor: INK,
            borderWidth: 1.5,
          },
        ],
      },
      options: {
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        plugins: {
          tooltip: {
            callbacks: {
              title: ([item]) => {
                const one = item && forecasts[item.dataIndex];
                return one ? `${one.jobName}, ${one.coatName}` : "";
              },
              label: ({ dataIndex }) => {
                const one = forecasts[dataIndex];
                return one
                  ? `foretold ${quantityText(one.need.mean, "volume", system)} ± ${quantityText(one.need.half80, "volume", system)}, used ${quantityText(one.seen, "volume", system)}`
                  : "";
              },
            },
          },
        },
        scales: {
          x: { ticks: { display: false }, grid: { display: false }, border: { color: INK } },
          y: {
            beginAtZero: false,
            suggestedMin: 85,
            suggestedMax: 115,
            title: { display: true, text: "% of what was foretold", font: FONT, color: SOFT },
            ticks: { font: FONT, color: SOFT, maxTicksLimit: 6 },
            grid: { color: LINE, drawTicks: false },
            border: { color: INK },
          },
        },
      },
    };
    const chart = new Chart(element, config as ChartConfiguration);
    return () => chart.destroy();
  }, [forecasts, system]);
  const held = forecasts.filter((one) => one.held).length;
  return (
    <div style={{ height: 230 }} className="relative">
      <canvas
        ref={canvas}
        role="img"
        aria-label={`Forecasts of ${forecasts.length} coats, one step ahead: ${held} lay inside the width in which eight of ten should`}
      />
    </div>
  );
}
