"use client";

import { useSyncExternalStore } from "react";

/** How this device behaves at a pour, whoever uses it. Kept in the browser, never sent. */
export type DeviceSettings = {
  sound: "off" | "on" | "loud";
  /** Acts are said aloud. */
  speaks: boolean;
  vibrates: boolean;
  /** The screen does not go dark. */
  awake: boolean;
  /** Everything that is pressed is at least 20 mm. */
  gloves: boolean;
  /** A touch anywhere says done. */
  touch: boolean;
  /** Keys that were learnt beside the usual ones, as a foot switch sends them. */
  doneKey: string | null;
  backKey: string | null;
};

export const USUAL_DEVICE: DeviceSettings = {
  sound: "on",
  speaks: false,
  vibrates: true,
  awake: true,
  gloves: false,
  touch: false,
  doneKey: null,
  backKey: null,
};

const KEY = "gaugebeam.device.pour";
const told = new Set<() => void>();
let known: DeviceSettings | null = null;

/** What was kept, as far as it can be read. */
export function readDevice(text: string | null): DeviceSettings {
  let kept: Partial<Record<keyof DeviceSettings, unknown>> = {};
  try {
    kept = (JSON.parse(text ?? "{}") ?? {}) as typeof kept;
  } catch {
    // Somebody else's words under our key: the usual settings.
  }
  const yes = (name: "speaks" | "vibrates" | "awake" | "gloves" | "touch") =>
    typeof kept[name] === "boolean" ? kept[name] : USUAL_DEVICE[name];
  const key = (name: "doneKey" | "backKey") => (typeof kept[name] === "string" ? kept[name] : null);
  return {
    sound: kept.sound === "off" || kept.sound === "loud" ? kept.sound : "on",
    speaks: yes("speaks"),
    vibrates: yes("vibrates"),
    awake: yes("awake"),
    gloves: yes("gloves"),
    touch: yes("touch"),
    doneKey: key("doneKey"),
    backKey: key("backKey"),
  };
}

function now(): DeviceSettings {
  known ??= readDevice(localStorage.getItem(KEY));
  return known;
}

function set(next: Partial<DeviceSettings>): void {
  known = { ...now(), ...next };
  try {
    localStorage.setItem(KEY, JSON.stringify(known));
  } catch {
    // Storage may be full or shut off: it holds for this page.
  }
  told.forEach((tell) => tell());
}

const listen = (tell: () => void) => {
  told.add(tell);
  return () => told.delete(tell);
};

export function useDevice(): { device: DeviceSettings; set: typeof set } {
  const device = useSyncExternalStore(listen, now, () => USUAL_DEVICE);
  return { device, set };
}
