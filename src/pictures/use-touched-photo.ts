"use client";

import { useCallback, useEffect, useMemo, useState } from "react";
import type { At } from "@/core/inspect/photo/perspective";

/** The corners of a board, in order round it. */
export const BOARD_CORNERS = [
  "back left corner",
  "back right corner",
  "front right corner",
  "front left corner",
] as const;
/** What is touched of the grey card. */
export const CARD_PLACE = "middle of the grey card";

/** A sheet is read with fewer samples than this has: the rest is only carried about. */
const LONGEST_PX = 2600;
/** A touched patch is read so wide, as a share of the photo's longer side. */
const PATCH_SHARE = 0.008;

/** A photo as it is read: its longer side no longer than needed. @throws where the browser cannot read it */
async function readable(file: File): Promise<ImageBitmap> {
  const whole = await createImageBitmap(file);
  const times = LONGEST_PX / Math.max(whole.width, whole.height);
  if (times >= 1) return whole;
  const less = await createImageBitmap(whole, {
    resizeWidth: Math.round(whole.width * times),
    resizeHeight: Math.round(whole.height * times),
    resizeQuality: "medium",
  });
  whole.close();
  return less;
}

/**
 * A photo, of this browser only, in which places are touched one after the other, by their names.
 * @param of places of one thing are none of another: when it changes they are touched anew
 */
export function useTouchedPhoto(names: readonly string[], of: string) {
  const [file, setFile] = useState<File | null>(null);
  const [bitmap, setBitmap] = useState<ImageBitmap | null>(null);
  const [points, setPoints] = useState<readonly At[]>([]);
  const [unreadable, setUnreadable] = useState(false);
  const [touchedOf, setTouchedOf] = useState(of);
  if (touchedOf !== of) {
    setTouchedOf(of);
    setPoints([]);
  }
  const open = useCallback((chosen: File) => {
    setFile(chosen);
    setPoints([]);
    setUnreadable(false);
    setBitmap(null);
    void readable(chosen).then(setBitmap, () => {
      setFile(null);
      setUnreadable(true);
    });
  }, []);
  const url = useMemo(() => (file ? URL.createObjectURL(file) : null), [file]);
  useEffect(() => () => void (url && URL.revokeObjectURL(url)), [url]);
  return {
    file,
    url,
    bitmap,
    points,
    /** Of a touched patch, px. */
    patchPx: bitmap ? Math.max(4, PATCH_SHARE * Math.max(bitmap.width, bitmap.height)) : 0,
    /** What is to be touched next; null when all is. */
    next: bitmap ? (names[points.length] ?? null) : null,
    touch: (at: At) => {
      if (points.length < names.length) setPoints([...points, at]);
    },
    back: () => setPoints(points.slice(0, -1)),
    open,
    problem: unreadable ? "This file is no picture that the browser can read." : null,
  };
}

export type TouchedPhoto = ReturnType<typeof useTouchedPhoto>;
