"use client";

import { useEffect, useMemo, useState } from "react";
import type { Measured } from "@/core/geometry/measure";
import { landmarksOf } from "@/core/inspect/photo/anchors";
import type { PhotoJudged } from "@/core/inspect/photo/judge-photo";
import type { At } from "@/core/inspect/photo/perspective";
import type { PieceRehearsal } from "@/core/rehearsal/rehearse";
import { workerClient } from "@/workers/client";
import type { JudgePhotoCalls } from "@/workers/judge-photo.worker";

const judgeWorker = workerClient<JudgePhotoCalls>(
  () => new Worker(new URL("../../../workers/judge-photo.worker.ts", import.meta.url)),
);

const CARD = "middle of the grey card";
/** A patch of the card is read so wide, as a share of the photo's longer side. */
const CARD_SHARE = 0.008;

/** A sheet is read with fewer samples than this has: the rest is only carried about. */
const LONGEST_PX = 2600;

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

/** A photo on its way to be read: its places touched one after the other, then what it says. */
export function usePhoto(piece: Measured | undefined, of: PieceRehearsal | null, lines: readonly number[]) {
  const [file, setFile] = useState<File | null>(null);
  const [bitmap, setBitmap] = useState<ImageBitmap | null>(null);
  const [points, setPoints] = useState<At[]>([]);
  /** What is asked of the worker, and what it said, by the places that it was asked with: what comes for others is not taken. */
  const [asked, setAsked] = useState<{ of: readonly At[]; cancel: () => void } | null>(null);
  const [said, setSaid] = useState<{ of: readonly At[]; answer: PhotoJudged | null } | null>(null);
  const [unreadable, setUnreadable] = useState(false);
  useEffect(() => () => asked?.cancel(), [asked]);
  const landmarks = useMemo(() => (piece ? landmarksOf(piece) : []), [piece]);
  // Places of one piece are none of another: then they are touched anew.
  const [ofPiece, setOfPiece] = useState(piece?.id);
  if (ofPiece !== piece?.id) {
    setOfPiece(piece?.id);
    setPoints([]);
  }
  const url = useMemo(() => (file ? URL.createObjectURL(file) : null), [file]);
  useEffect(() => () => void (url && URL.revokeObjectURL(url)), [url]);
  const names = [...landmarks.map(({ name }) => name), CARD];
  const open = (chosen: File) => {
    setFile(chosen);
    setPoints([]);
    setUnreadable(false);
    setBitmap(null);
    void readable(chosen).then(setBitmap, () => {
      setFile(null);
      setUnreadable(true);
    });
  };
  const read = () => {
    const card = points[landmarks.length];
    if (!bitmap || !piece || !of || !card) return;
    const radius = Math.max(4, CARD_SHARE * Math.max(bitmap.width, bitmap.height));
    const { answer, cancel } = judgeWorker.ask("judge", {
      bitmap,
      anchors: landmarks.map(({ x, y }, n) => ({ onPiece: { x, y }, inPhoto: points[n] as At })),
      card: { ...card, radius },
      piece,
      of,
      lines,
    });
    setAsked({ of: points, cancel });
    void answer.then((told) => setSaid({ of: points, answer: told }));
  };
  const answer = said?.of === points ? said.answer : null;
  const wrong = said?.of === points && !answer?.ok;
  return {
    file,
    url,
    bitmap,
    points,
    landmarks,
    /** What is to be touched next; null when all is. */
    next: bitmap ? (names[points.length] ?? null) : null,
    touch: (at: At) => {
      if (points.length < names.length) setPoints([...points, at]);
    },
    back: () => setPoints(points.slice(0, -1)),
    open,
    read,
    judged: answer?.ok ? answer : null,
    problem: unreadable
      ? "This file is no picture that the browser can read."
      : wrong
        ? (answer?.reason ?? "The photo could not be read. Try a smaller one.")
        : null,
    busy: asked?.of === points && said?.of !== points,
    cancel: () => {
      asked?.cancel();
      setAsked(null);
    },
  };
}

export type PhotoAsked = ReturnType<typeof usePhoto>;
