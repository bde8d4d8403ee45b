"use client";

import { useEffect, useMemo, useState } from "react";
import { rehearsalOf, USUAL_REHEARSAL, type PieceRehearsal } from "@/core/plan/rehearse";
import { Button } from "@/ui/button";
import { Choice } from "@/ui/choice";
import { QuantityField } from "@/ui/quantity-field";
import { useSize } from "@/ui/use-size";
import { useJob } from "../workspace/use-job";
import { PiecePicture } from "./piece-picture";
import { SharesTable } from "./shares-table";
import { Sisters } from "./sisters";
import { usePicture } from "./use-picture";

/** One pass is shown for so long while it plays, ms. */
const PLAY_MS = 1400;
/** A picture is no higher than this, px. */
const MOST_HEIGHT = 380;

/** Mud in a word: by how much the eye would regret it (assumed). */
const mudWords = (mud: number) =>
  mud < 0.8 ? "clear" : mud < 2 ? "a little muddy" : mud < 4 ? "muddy: a round less" : "mud: stop earlier";

/** The pour on screen before it is done in resin: the piece after each of its passes, and what the eye would see. */
export function RehearseView() {
  const { document, plan, system, change } = useJob();
  const [pieceId, setPieceId] = useState<string | null>(null);
  const [shown, setShown] = useState<number | null>(null);
  const [playing, setPlaying] = useState(false);
  const [sisters, setSisters] = useState(false);
  const { ref, width } = useSize<HTMLDivElement>();
  const pieces = useMemo(
    () => plan.pieces.filter((piece) => rehearsalOf(plan, document, piece) !== null),
    [plan, document],
  );
  const piece = pieces.find(({ id }) => id === pieceId) ?? pieces[0];
  const of = useMemo<PieceRehearsal | null>(
    () => (piece ? rehearsalOf(plan, document, piece) : null),
    [plan, document, piece],
  );
  const many = of?.passes.length ?? 0;
  const done = Math.min(shown ?? many, many);
  const picture = usePicture(of, done);
  useEffect(() => {
    if (!playing) return;
    const timer = setTimeout(() => {
      if (done >= many) setPlaying(false);
      else setShown(done + 1);
    }, PLAY_MS);
    return () => clearTimeout(timer);
  }, [playing, done, many]);
  const set = (next: Partial<typeof USUAL_REHEARSAL>) =>
    change((job) => ({ ...job, rehearsal: { ...(job.rehearsal ?? USUAL_REHEARSAL), ...next } }));

  if (!piece || !of)
    return (
      <main className="flex-1 px-7 py-8 text-ink-soft">
        <p className="heading text-xl text-ink mb-1">Nothing to rehearse yet.</p>
        Measure a flat piece and give it a colour coat with passes in Build: the pour is seen here before it
        is poured.
      </main>
    );
  const { seed, angleDeg } = document.rehearsal ?? USUAL_REHEARSAL;
  const ratio = piece.outline.heightMm / piece.outline.widthMm;
  const wide = Math.max(1, Math.min(width, Math.round(MOST_HEIGHT / ratio)));
  return (
    <main className="flex-1 min-h-0 overflow-y-auto px-7 pt-4 pb-5">
      <div className="flex items-end gap-x-5 gap-y-2 flex-wrap mb-3">
        <h1 className="heading text-2xl">{piece.name}</h1>
        {pieces.length > 1 && (
          <Choice
            label="Piece"
            value={piece.id}
            options={pieces.slice(0, 6).map(({ id, name }) => ({ value: id, words: name }))}
            onChange={setPieceId}
            className="mb-0.5"
          />
        )}
        <span className="ml-auto flex items-end gap-4">
          <QuantityField
            label="Runs at, degrees"
            value={angleDeg}
            dimension="number"
            system={system}
            bounds={{ min: -180, max: 180 }}
            onChange={(next) => set({ angleDeg: next })}
            className="w-28"
            bare
          />
          <QuantityField
            label="Sister"
            value={seed}
            dimension="number"
            system={system}
            bounds={{ min: 1, max: 9999 }}
            onChange={(next) => set({ seed: Math.round(next) })}
            className="w-24"
            bare
          />
          <Button weight={sisters ? "primary" : "plain"} onClick={() => setSisters(!sisters)}>
            Four sisters
          </Button>
        </span>
      </div>
      <div ref={ref} className="w-full">
        {width > 0 &&
          (sisters ? (
            <Sisters
              of={of}
              piece={piece}
              passes={done}
              width={width}
              onPick={(next) => {
                set({ seed: next });
                setSisters(false);
              }}
            />
          ) : (
            <PiecePicture
              picture={picture}
              piece={piece}
              name={`${piece.name} after ${done} of ${many} passes`}
              width={wide}
            />
          ))}
      </div>
      <div
        className="flex items-stretch gap-0 mt-3 border-y border-ink overflow-x-auto"
        role="group"
        aria-label="The passes"
      >
        <button
          type="button"
          className="px-4 py-2 text-left shrink-0 hover:bg-paper min-w-20"
          onClick={() => {
            if (!playing && done >= many) setShown(0);
            setPlaying(!playing);
          }}
        >
          <span className="heading">{playing ? "Pause" : "Play"}</span>
        </button>
        {[
          { words: "Base", minute: null as number | null, key: "base" },
          ...of.passes.map(({ words, minute, coatId, passId }) => ({
            words,
            minute,
            key: `${coatId} ${passId}`,
          })),
        ].map(({ words, minute, key }, at) => (
          <button
            key={key}
            type="button"
            aria-pressed={at === done}
            onClick={() => {
              setPlaying(false);
              setShown(at);
            }}
            className={`px-3 py-2 text-left border-l border-line shrink-0 max-w-44 hover:bg-paper ${at === done ? "border-b-4 border-b-signal font-semibold" : at < done ? "" : "text-ink-soft"}`}
          >
            <span className="block truncate text-sm">{words}</span>
            <span className="label">{minute === null ? "under all" : `minute ${Math.round(minute)}`}</span>
          </button>
        ))}
      </div>
      {picture && (
        <div className="grid grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)] gap-10 mt-4 max-lg:grid-cols-1">
          <SharesTable palette={of.palette} picture={picture} />
          <div>
            <p className="label">mud, over what was poured</p>
            <p className="flex items-baseline gap-3">
              <span className="figure text-3xl">{picture.mud === null ? "…" : picture.mud.toFixed(1)}</span>
              {picture.mud !== null && <span className="text-lg">{mudWords(picture.mud)}</span>}
            </p>
            <p className="label mt-2">colours apart, from two steps back</p>
            <p className="figure text-xl">{Math.round(picture.apart * 100)} %</p>
            <p className="text-sm text-ink-soft mt-3 max-w-[46ch]">
              This shows the character of the pour, not the piece: how far a hand drags and what alcohol opens
              are estimates, and no two pours are the same. Another sister is as likely.
            </p>
          </div>
        </div>
      )}
    </main>
  );
}
