"use client";

import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { GREY_CARD, meanOfPatch, PHOTO_SPREAD, photographedLab } from "@/core/colour/camera";
import { hexOfLab, type Lab } from "@/core/colour/spaces";
import { decimal } from "@/core/units/format-quantity";
import { Button } from "./button";
import { Choice } from "./choice";
import { QuantityField } from "./quantity-field";
import { usePull } from "./use-pull";

type Place = { x: number; y: number };
type Picking = "card" | "colour";
export type PickedColour = { lab: Lab; light: keyof typeof PHOTO_SPREAD };

/** Pictures are looked at in at most so many pixels. */
const LONGEST_PX = 1600;
/** Radius of the ring, as a share of the long side: a spot of one colour, a patch, or so much that a pattern melts in it. */
const RING = { spot: 0.016, patch: 0.06, pattern: 0.2 };

const WORDS: Record<Picking, string> = {
  card: "Click the grey card, where the light is as on the colour.",
  colour: "Now click the colour. Drag or use the arrow keys to move the ring.",
};

/** The picture as pixels. */
async function pixelsOf(source: Blob | string): Promise<ImageData> {
  const blob = typeof source === "string" ? await (await fetch(source)).blob() : source;
  const bitmap = await createImageBitmap(blob);
  const scale = Math.min(1, LONGEST_PX / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.max(1, Math.round(bitmap.width * scale));
  canvas.height = Math.max(1, Math.round(bitmap.height * scale));
  const context = canvas.getContext("2d", { willReadFrequently: true });
  if (!context) throw new Error("no canvas");
  context.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return context.getImageData(0, 0, canvas.width, canvas.height);
}

/**
 * A colour read off a photograph: the grey card is shown first, then the colour, and the one is brought to the light of the other.
 * By pointer, or by keyboard: arrow keys move the ring (Shift: ten times as far), Enter goes from card to colour.
 */
export function PickColour({
  source,
  take,
  onTake,
}: {
  source: Blob | string;
  /** What the button says that takes the colour. */
  take: string;
  onTake: (picked: PickedColour) => void;
}) {
  const [image, setImage] = useState<ImageData | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [picking, setPicking] = useState<Picking>("card");
  const [card, setCard] = useState<Place | null>(null);
  const [colour, setColour] = useState<Place | null>(null);
  const [light, setLight] = useState<PickedColour["light"]>("daylight");
  const [reflects, setReflects] = useState(GREY_CARD);
  const [size, setSize] = useState<keyof typeof RING>("spot");
  const canvas = useRef<HTMLCanvasElement>(null);
  const pull = usePull();

  useEffect(() => {
    let here = true;
    pixelsOf(source).then(
      (read) => here && setImage(read),
      () => here && setProblem("This browser cannot read that as a picture. Choose a JPEG, PNG or WebP."),
    );
    return () => {
      here = false;
    };
  }, [source]);

  const longest = image ? Math.max(image.width, image.height) : 0;
  const radius = Math.max(3, RING.spot * longest);
  const wide = Math.max(3, RING[size] * longest);
  const at = picking === "card" ? card : colour;
  const set = picking === "card" ? setCard : setColour;

  useEffect(() => {
    const context = canvas.current?.getContext("2d");
    if (!image || !context) return;
    context.putImageData(image, 0, 0);
    const ring = (place: Place | null, reach: number, dashed: boolean) => {
      if (!place) return;
      for (const [width, style] of [
        [radius / 2.5, "#ffffff"],
        [radius / 6, "#1e2124"],
      ] as const) {
        context.beginPath();
        context.setLineDash(dashed ? [radius / 2, radius / 4] : []);
        context.arc(place.x, place.y, reach, 0, 2 * Math.PI);
        context.lineWidth = width;
        context.strokeStyle = style;
        context.stroke();
      }
    };
    ring(card, radius, true);
    ring(colour, wide, false);
  }, [image, card, colour, radius, wide]);

  const place = (event: PointerEvent<HTMLCanvasElement>): Place => {
    const box = event.currentTarget.getBoundingClientRect();
    const scale = (image?.width ?? 1) / box.width;
    return { x: (event.clientX - box.left) * scale, y: (event.clientY - box.top) * scale };
  };
  const move = (event: KeyboardEvent<HTMLCanvasElement>) => {
    if (!image) return;
    if (event.key === "Enter") {
      if (picking === "card" && card) setPicking("colour");
      event.preventDefault();
      return;
    }
    const steps: Record<string, [number, number]> = {
      ArrowLeft: [-1, 0],
      ArrowRight: [1, 0],
      ArrowUp: [0, -1],
      ArrowDown: [0, 1],
    };
    const step = steps[event.key];
    if (!step) return;
    event.preventDefault();
    const by = (event.shiftKey ? 1 : 0.1) * 5 * radius;
    const from = at ?? { x: image.width / 2, y: image.height / 2 };
    const within = (value: number, most: number) => Math.min(most - 1, Math.max(0, value));
    set({ x: within(from.x + step[0] * by, image.width), y: within(from.y + step[1] * by, image.height) });
  };

  const mean = (of: Place | null, reach: number) =>
    image && of ? meanOfPatch(image.data, image.width, image.height, { ...of, radius: reach }) : null;
  const [cardMean, colourMean] = [mean(card, radius), mean(colour, wide)];
  const read = cardMean && colourMean ? photographedLab(colourMean, cardMean, reflects) : null;

  if (problem)
    return (
      <p role="alert" className="text-danger border-l-2 border-danger pl-2">
        {problem}
      </p>
    );
  return (
    <div className="flex gap-5 max-sm:flex-col">
      <div className="min-w-0 flex-1">
        <p className="text-sm mb-2" aria-live="polite">
          {image ? WORDS[picking] : "Reading the picture…"}
        </p>
        <canvas
          ref={canvas}
          width={image?.width ?? 4}
          height={image?.height ?? 3}
          tabIndex={0}
          role="application"
          aria-label={picking === "card" ? "Picture: show the grey card" : "Picture: show the colour"}
          className="block border border-ink max-w-full max-h-[52dvh] cursor-crosshair touch-none"
          {...pull({
            begin: (event: PointerEvent<HTMLCanvasElement>) => {
              set(place(event));
              return picking;
            },
            move: (_, _by, event) => set(place(event)),
            end: (picked, { calledOff }) => picked === "card" && !calledOff && setPicking("colour"),
          })}
          onKeyDown={move}
        />
      </div>
      <div className="w-48 shrink-0 flex flex-col gap-3">
        <Choice
          label="What the ring shows"
          value={picking}
          options={[
            { value: "card", words: "grey card" },
            { value: "colour", words: "colour" },
          ]}
          onChange={setPicking}
          className="self-start"
        />
        <Choice
          label="How much of the colour is taken"
          value={size}
          options={[
            { value: "spot", words: "spot" },
            { value: "patch", words: "patch" },
            { value: "pattern", words: "pattern" },
          ]}
          onChange={setSize}
          className="self-start"
        />
        <Choice
          label="Light"
          value={light}
          options={[
            { value: "daylight", words: "daylight" },
            { value: "indoors", words: "indoors" },
          ]}
          onChange={setLight}
          className="self-start"
        />
        <QuantityField
          label="The card reflects"
          value={reflects * 100}
          dimension="percent"
          system="metric"
          bounds={{ min: 5, max: 95 }}
          onChange={(percent) => setReflects(percent / 100)}
          bare
        />
        {read?.ok && (
          <div>
            <div
              role="img"
              aria-label="The colour that was picked"
              className="h-16 border border-ink mb-1.5"
              style={{ background: hexOfLab(read.lab) }}
            />
            <div className="figure">
              L* {decimal(read.lab[0], 0)} a* {decimal(read.lab[1], 0)} b* {decimal(read.lab[2], 0)}
            </div>
            <p className="label mb-3">
              give or take ΔE {PHOTO_SPREAD[light]}, as photographs are; keep sun and shine off the patch
            </p>
            <Button weight="primary" onClick={() => onTake({ lab: read.lab, light })}>
              {take}
            </Button>
          </div>
        )}
        {read && !read.ok && (
          <p role="alert" className="text-sm border-l-2 border-danger text-danger pl-2">
            {read.reason}
          </p>
        )}
      </div>
    </div>
  );
}
