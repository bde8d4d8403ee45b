"use client";

import { useEffect, useMemo, useState } from "react";
import { rehearsalSettings } from "@/core/job/job-settings";
import { USUAL_LIGHT } from "@/core/pattern/engine/lit";
import { wantedOf } from "@/core/plan/colour-plan";
import { judgePicture } from "@/core/rehearsal/judge-picture";
import { mudWords } from "@/core/rehearsal/words";
import type { PieceRehearsal } from "@/core/rehearsal/rehearse";
import { Button } from "@/ui/button";
import { QuantityField } from "@/ui/quantity-field";
import { SliderField } from "@/ui/slider-field";
import { useSize } from "@/ui/use-size";
import { useJob, useJobState } from "../workspace/use-job";
import { LitButton } from "./lit-button";
import { Findings } from "./findings";
import { LooksDialog } from "./looks-dialog";
import { PassStrip } from "./pass-strip";
import { PassWorkForm } from "./pass-work";
import { PiecePicture, seenSize } from "@/pictures/piece-picture";
import { NothingToRehearse, RehearseHead } from "./rehearse-head";
import { SharesTable } from "./shares-table";
import { Sisters } from "./sisters";
import { Among } from "./among";
import { useLit } from "@/pictures/use-lit";
import { usePicture } from "@/pictures/use-picture";
import { useSisterSpread } from "./use-sister-spread";
import { useWeights } from "./use-weights";
import { WeightHandles } from "./weight-handles";
import { WeightList, WeightsBar } from "./weights-panel";
import { useRehearsedPiece } from "./use-rehearsed-piece";

/** One pass is shown for so long while it plays, ms. */
const PLAY_MS = 1400;
/** A picture is no higher than this, px, and no sharper. */
const MOST_HEIGHT = 356;
const SHARPEST_PX = 1600;

/** Sides of a piece as they are seen, from the right round by the front. */
const SIDES = ["right", "front right", "front", "front left", "left", "back left", "back", "back right"];
const lampWords = (degrees: number): string => SIDES[Math.round(degrees / 45) % SIDES.length] ?? "";

/** The pour on screen before it is done in resin: the piece after each of its passes, and what the eye would see. */
export function RehearseView() {
  const { document, plan, system, change } = useJob();
  const { pieces, chosen, piece, of, choose } = useRehearsedPiece();
  const [shown, setShown] = useState<number | null>(null);
  const [playing, setPlaying] = useState(false);
  const [looking, setLooking] = useState<"piece" | "sisters" | "weights">("piece");
  const [before, setBefore] = useState(false);
  const [looks, setLooks] = useState(false);
  const { ref, width } = useSize<HTMLDivElement>();
  const hold = useJobState((state) => state.hold);
  const many = of?.passes.length ?? 0;
  const done = Math.min(shown ?? many, many);
  const size = piece && seenSize(piece);
  const wide = size
    ? Math.max(1, Math.min(width, Math.round((MOST_HEIGHT * size.widthMm) / size.heightMm)))
    : 1;
  const seen = before ? Math.max(0, done - 1) : done;
  const [lit] = useLit();
  const [lampDeg, setLampDeg] = useState(Math.round((USUAL_LIGHT.azimuth * 180) / Math.PI + 360));
  const light = useMemo(
    () => (lit ? { ...USUAL_LIGHT, azimuth: (lampDeg * Math.PI) / 180 } : null),
    [lit, lampDeg],
  );
  const picture = usePicture(of, seen, Math.min(SHARPEST_PX, wide), {
    keepBefore: before || playing ? null : Math.max(0, done - 1),
    light,
  });
  const spread = useSisterSpread(playing || before ? null : of, seen, picture);
  useEffect(() => {
    if (!playing) return;
    const timer = setTimeout(() => {
      if (done >= many) setPlaying(false);
      else setShown(done + 1);
    }, PLAY_MS);
    return () => clearTimeout(timer);
  }, [playing, done, many]);
  // The strip's small pictures come when the large one is there, and stand until the next one is.
  const [settled, setSettled] = useState<{ of: PieceRehearsal; piece: typeof piece } | null>(null);
  if (of && picture?.sharp && picture.of === of && settled?.of !== of) setSettled({ of, piece });
  const measures = picture?.measures ?? null;
  const wanted = useMemo(() => wantedOf(plan.looks, document.target), [plan.looks, document.target]);
  const findings = useMemo(
    () => (of && measures ? judgePicture(of, measures, wanted, spread) : []),
    [of, measures, wanted, spread],
  );
  const where = useWeights(piece, (of?.passes[done - 1] ?? of?.passes[0])?.coatId ?? null);
  if (!piece || !of) return <NothingToRehearse />;
  const set = (next: Partial<ReturnType<typeof rehearsalSettings>>) =>
    change((job) => ({ ...job, rehearsal: { ...rehearsalSettings(job), ...next } }));
  const { seed, angleDeg } = rehearsalSettings(document);
  const pass = of.passes[done - 1];
  const coat = plan.coats.find((planned) => planned.coat.id === (pass ?? of.passes[0])?.filmCoatId);
  // Numbers of the picture before stand, fainter, until those of this one are there.
  const stale = picture?.measured ? "" : "opacity-55";
  const marks = findings.flatMap(({ what, place }) => (place ? [{ words: what, ...place }] : []));
  return (
    <main className="flex-1 min-h-0 overflow-y-auto px-7 pt-3 pb-5">
      <RehearseHead title={piece.name} pieces={pieces} chosen={chosen} choose={choose}>
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
          className="w-20"
          bare
        />
        <Button
          weight={looking === "sisters" ? "primary" : "plain"}
          aria-pressed={looking === "sisters"}
          onClick={() => setLooking(looking === "sisters" ? "piece" : "sisters")}
        >
          Four sisters
        </Button>
        <Button
          weight={looking === "weights" ? "primary" : "plain"}
          aria-pressed={looking === "weights"}
          onClick={() => setLooking(looking === "weights" ? "piece" : "weights")}
        >
          Where colours go
        </Button>
        <Button onClick={() => setLooks(true)}>Looks</Button>
      </RehearseHead>
      {looking === "weights" && <WeightsBar {...where} />}
      <div ref={ref} className="w-full">
        {width > 0 &&
          (looking === "sisters" ? (
            <Sisters
              of={of}
              piece={piece}
              passes={done}
              width={width}
              onPick={(next) => {
                set({ seed: next });
                setLooking("piece");
              }}
            />
          ) : (
            <div className="flex justify-center">
              <PiecePicture
                picture={picture}
                piece={piece}
                name={`${piece.name} after ${seen} of ${many} passes`}
                width={wide}
                marks={before || looking === "weights" ? [] : marks}
                strips={of.strips}
              >
                {looking === "weights" && (
                  <WeightHandles
                    piece={piece}
                    weights={where.weights}
                    width={wide}
                    height={Math.max(1, Math.round((wide * (size?.heightMm ?? 1)) / (size?.widthMm ?? 1)))}
                    onHold={hold}
                    onChange={where.onChange}
                    onRemove={where.onRemove}
                  />
                )}
              </PiecePicture>
            </div>
          ))}
      </div>
      <div className="flex flex-wrap items-baseline gap-x-4 mt-2 mb-1 text-sm">
        <Button
          weight="quiet"
          aria-pressed={before}
          disabled={done === 0}
          onPointerDown={() => setBefore(true)}
          onPointerUp={() => setBefore(false)}
          onPointerLeave={() => setBefore(false)}
          onKeyDown={(event) => event.key === " " && setBefore(true)}
          onKeyUp={() => setBefore(false)}
          onBlur={() => setBefore(false)}
        >
          {before ? "before this pass" : "hold to see it before this pass"}
        </Button>
        <LitButton />
        {lit && (
          <SliderField
            label="lamp from"
            className="w-44 -mt-4 max-sm:mt-1"
            min={0}
            max={355}
            step={5}
            value={lampDeg}
            words={lampWords(lampDeg)}
            onChange={setLampDeg}
          />
        )}
        {pass?.stopHere && (
          <span>
            May stop here: <b className="font-semibold">{pass.stopHere}</b>
          </span>
        )}
        <span className="ml-auto text-ink-soft text-right max-sm:text-left max-sm:w-full">
          Character of the pour, not the piece.
          {lit && " Flakes, depth and gloss are drawn, not planned: all numbers go by the plain picture."}
        </span>
      </div>
      <PassStrip
        of={settled?.piece === piece ? settled.of : null}
        piece={piece}
        passes={of.passes}
        done={done}
        playing={playing}
        life={coat?.life ?? []}
        onPlay={() => {
          if (!playing && done >= many) setShown(0);
          setPlaying(!playing);
        }}
        onShow={(at) => {
          setPlaying(false);
          setShown(at);
        }}
      />
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1.25fr)_minmax(0,1.15fr)] gap-9 mt-4 max-lg:grid-cols-1">
        {looking === "weights" && where.coat ? (
          <WeightList {...where} />
        ) : pass ? (
          <PassWorkForm key={pass.passId} shown={pass} />
        ) : (
          <p className="text-sm text-ink-soft">Pick a pass to change how it is worked.</p>
        )}
        {measures && (
          <div className={stale}>
            <SharesTable palette={of.palette} measures={measures} spread={spread} />
          </div>
        )}
        {measures && (
          <div className={stale} aria-busy={!picture?.measured}>
            <div className="flex gap-8">
              <p>
                <span className="label block">mud, over what was poured</span>
                <span className="figure text-3xl">{measures.mud.toFixed(1)}</span>{" "}
                <span className="text-lg">{mudWords(measures.mud)}</span>
                <Among spread={spread?.mud} words={(value) => value.toFixed(1)} />
              </p>
              <p>
                <span className="label block">colours apart, two steps back</span>
                <span className="figure text-3xl">{Math.round(measures.apart * 100)}</span>{" "}
                <span className="text-lg">%</span>
                <Among spread={spread?.apart} words={(value) => String(Math.round(value * 100))} />
              </p>
            </div>
            <Findings findings={findings} />
          </div>
        )}
      </div>
      <p className="text-sm text-ink-soft mt-4 max-w-[90ch]">
        This shows the character of the pour, not the piece: how far a hand drags and what alcohol opens are
        estimates, and no two pours are the same. Another sister is as likely.
      </p>
      {looks && <LooksDialog piece={piece} onClose={() => setLooks(false)} />}
    </main>
  );
}
