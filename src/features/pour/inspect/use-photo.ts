"use client";

import { useMemo, useState } from "react";
import type { Measured } from "@/core/geometry/measure";
import { landmarksOf } from "@/core/inspect/photo/anchors";
import type { PhotoJudged } from "@/core/inspect/photo/judge-photo";
import type { At } from "@/core/inspect/photo/perspective";
import type { Plan } from "@/core/plan/derive-plan";
import type { PieceRehearsal } from "@/core/rehearsal/rehearse";
import { photoReader } from "@/pictures/photo-reader";
import { useAsked } from "@/pictures/use-asked";
import { CARD_PLACE, useTouchedPhoto } from "@/pictures/use-touched-photo";

/** Palette places of colours that are only ever laid in lines. */
function veinColours(plan: Plan, of: PieceRehearsal | null): number[] {
  const names = new Set(
    plan.coats
      .filter(({ coat }) => coat.kind === "vein")
      .flatMap(({ coat }) => coat.colours.map(({ name }) => name)),
  );
  return (of?.palette ?? []).flatMap(({ name }, at) => (names.has(name) ? [at] : []));
}

/** A photo on its way to be read: its places touched one after the other, then what it says. */
export function usePhoto(piece: Measured | undefined, of: PieceRehearsal | null, plan: Plan) {
  const landmarks = useMemo(() => (piece ? landmarksOf(piece) : []), [piece]);
  /** The plain colour that a photo is balanced by, by its place in the palette; null for a grey card. */
  const [by, setBy] = useState<number | null>(null);
  const plain = (of?.palette ?? []).flatMap(({ name, metallic }, at) => (metallic ? [] : [{ at, name }]));
  const ink = by === null ? undefined : of?.palette[by];
  const touched = useTouchedPhoto(
    [...landmarks.map(({ name }) => name), ink ? `middle of a patch that is only ${ink.name}` : CARD_PLACE],
    `${piece?.id} ${by}`,
  );
  const { bitmap, points, patchPx } = touched;
  const { ask, answer, failed, busy, cancel } = useAsked<PhotoJudged>(points);
  const read = () => {
    const card = points[landmarks.length];
    if (!bitmap || !piece || !of || !card) return;
    ask(
      photoReader.ask("judge", {
        bitmap,
        anchors: landmarks.map(({ x, y }, n) => ({ onPiece: { x, y }, inPhoto: points[n] as At })),
        card: { ...card, radius: patchPx },
        ...(ink && { known: ink.rgb }),
        piece,
        of,
        lines: veinColours(plan, of),
      }),
    );
  };
  return {
    ...touched,
    landmarks,
    /** Something was rehearsed of the piece that a photo can be set beside; a wall is seen from no one side. */
    canJudge: of !== null && piece?.piece.shape.kind !== "tumbler",
    by,
    setBy,
    /** Colours that a photo can be balanced by. */
    plain,
    read,
    judged: answer?.ok ? answer : null,
    problem:
      touched.problem ??
      (failed
        ? "The photo could not be read. Try a smaller one."
        : answer?.ok === false
          ? answer.reason
          : null),
    busy,
    cancel,
  };
}

export type PhotoAsked = ReturnType<typeof usePhoto>;
