"use client";

import { cutText } from "@/core/units/cut-text";
import { useEffect, useMemo, useRef, useState } from "react";
import { callAct } from "@/contracts/call-act";
import { keepPractice, listPractices, type KeptPractice } from "@/contracts/rehearsals";
import { exactly } from "@/core/numerics/spread";
import { flowShareIn } from "@/core/cure/film-in-room";
import { stateAt, STATE_WORDS } from "@/core/cure/film-states";
import { BLADE_MM } from "@/core/pattern/placing/practised";
import { TOUCHES } from "@/core/pattern/placing/pulls";
import { WORK_TOOL_WORDS, type PassWork, type WorkTool } from "@/core/pattern/passes/work";
import type { Critique } from "@/core/rehearsal/critique";
import type { PracticeStroke } from "@/core/rehearsal/practised-on";
import { roomOf } from "@/core/job/job-settings";
import { usualPass } from "@/core/schedule/pass";
import { Button } from "@/ui/button";
import { Choice } from "@/ui/choice";
import { FilmBar } from "@/ui/film-bar";
import { SelectField } from "@/ui/text-field";
import { useDraft } from "@/ui/use-draft";
import { useSize } from "@/ui/use-size";
import { editCoat, editPass, newId } from "../workspace/edits";
import { useJob } from "../workspace/use-job";
import { PracticeBoard } from "./practice-board";
import { PracticeCritique } from "./practice-critique";
import { isWorked } from "./pass-work";
import { seenSize } from "@/pictures/piece-picture";
import { NothingToRehearse, RehearseHead } from "./rehearse-head";
import { usePractice } from "./use-practice";
import { useRehearsedPiece } from "./use-rehearsed-piece";

const MOST_HEIGHT = 350;
const MOST_PX = 800;
const TICK_MS = 200;
const TOOLS: readonly WorkTool[] = [
  "hand",
  "fingers",
  "roller",
  "blade",
  "squeegee",
  "foam-brush",
  "comb",
  "stick",
];
const SPEEDS = ["1", "5", "10", "20"] as const;

/** A practice on the wet piece: a tool, the resin's clock, and afterwards what the eye would regret. */
export function PracticeView() {
  const { document, plan, change } = useJob();
  const { pieces, chosen, piece, of, choose } = useRehearsedPiece();
  const { ref, width } = useSize<HTMLDivElement>();
  const [tool, setTool] = useState<WorkTool>("hand");
  const [speed, setSpeed] = useState<(typeof SPEEDS)[number]>("5");
  const [from, setFrom] = useState<number | null>(null);
  const [strokes, setStrokes] = useState<PracticeStroke[]>([]);
  const [minute, setMinute] = useState<number | null>(null);
  const [running, setRunning] = useState(false);
  const [judged, setJudged] = useState<Critique | null>(null);
  const [kept, setKept] = useState<KeptPractice[]>([]);
  // What the server did not take stays in this browser until it does.
  const { draft: waiting, set: setWaiting } = useDraft<{ practices: KeptPractice[] }>("practices.unkept", {
    practices: [],
  });
  const drawing = useRef<PracticeStroke | null>(null);

  /** By itself a practice begins before the first pass that is worked by hand. */
  const first = useMemo(() => {
    const kinds = new Map(
      document.coats.flatMap(({ passes }) => passes.map(({ id, kind }) => [id, kind] as const)),
    );
    const at =
      of?.passes.findIndex(({ passId }) => {
        const kind = kinds.get(passId);
        return kind !== undefined && isWorked(kind);
      }) ?? -1;
    return at < 0 ? (of?.passes.length ?? 0) : at;
  }, [of, document.coats]);
  const passes = Math.min(from ?? first, of?.passes.length ?? 0);
  const size = piece && seenSize(piece);
  const wide = size
    ? Math.max(1, Math.min(width, Math.round((MOST_HEIGHT * size.widthMm) / size.heightMm)))
    : 1;
  const wet = usePractice(of, passes, Math.min(MOST_PX, wide));

  const begun = of?.passes[Math.min(passes, (of?.passes.length ?? 1) - 1)];
  const coat = plan.coats.find((planned) => planned.coat.id === begun?.filmCoatId);
  const fromMin = begun?.minute ?? 0;
  const film = useMemo(
    () =>
      coat?.resin && coat.windows
        ? {
            resin: coat.resin,
            room: roomOf(document),
            mixedAtMin: coat.windows.mixedAtMin,
          }
        : null,
    [coat, document],
  );
  const now = minute ?? fromMin;
  const flow = film && film.resin.kind !== "paint" ? flowShareIn(film, now) : exactly(1);
  const flowLeft = flow.likely;
  const openUntilMin = coat?.life.find(({ state }) => state === "gummy")?.fromMin.likely ?? fromMin + 60;

  useEffect(() => {
    void callAct(listPractices, {}).then((result) => result.ok && setKept(result.value));
  }, []);
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(
      () => setMinute((before) => (before ?? fromMin) + (Number(speed) * TICK_MS) / 60_000),
      TICK_MS,
    );
    return () => clearInterval(timer);
  }, [running, speed, fromMin]);
  // What was practised before on another piece, coat or after another pass is another practice.
  const subject = `${piece?.id} ${passes}`;
  const [practised, setPractised] = useState(subject);
  if (practised !== subject) {
    setPractised(subject);
    setStrokes([]);
    setMinute(null);
    setRunning(false);
    setJudged(null);
  }

  if (!piece || !of) return <NothingToRehearse />;
  const again = () => {
    setStrokes([]);
    setMinute(null);
    setRunning(false);
    setJudged(null);
    wet.keep(0);
  };
  const send = async (practices: readonly KeptPractice[]) => {
    const left: KeptPractice[] = [];
    for (const practice of practices) {
      const result = await callAct(keepPractice, { practice });
      if (!result.ok) left.push(practice);
    }
    setWaiting({ practices: left });
  };
  const finish = async () => {
    setRunning(false);
    const critique = await wet.judge(piece, { passes, fromMin, openUntilMin, strokes });
    setJudged(critique);
    const practice: KeptPractice = {
      id: newId(),
      doneAt: new Date().toISOString(),
      score: critique.score,
      result: {
        look: cutText(begun?.coatName ?? "", 120),
        tool,
        pulls: strokes.length,
        cover: critique.cover,
        mud: critique.mudAfter.at(-1) ?? 0,
        thin: critique.thinPlaces.length,
        setDowns: critique.setDowns.length,
        crossing: critique.crossing,
        usedMin: critique.usedMin,
      },
    };
    setKept((before) => [practice, ...before]);
    await send([...waiting.practices, practice]);
  };
  /** The pulls become the pass that is worked next; where there is none, one is put in. */
  const intoPlan = () => {
    const target = of.passes[passes];
    const coat = document.coats.find(({ id }) => id === (target ?? of.passes.at(-1))?.coatId);
    if (!coat) return;
    const practisedStrokes = strokes.map(({ tool: tool, points, pressure, flowLeft: left }) => ({
      tool: tool,
      points,
      pressure,
      flowLeft: left,
    }));
    const { wide, high } = of.rehearsal.topMm;
    const work: PassWork = { strokes: practisedStrokes, strokesOnMm: [wide, high] };
    const pass = coat.passes.find(({ id }) => id === target?.passId);
    change(
      pass && isWorked(pass.kind)
        ? editPass(coat.id, pass.id, { work: { ...pass.work, ...work } })
        : editCoat(coat.id, (before) => {
            const at = pass ? before.passes.findIndex(({ id }) => id === pass.id) : before.passes.length;
            const fresh = usualPass(newId(), "palm", { work });
            return { ...before, passes: [...before.passes.slice(0, at), fresh, ...before.passes.slice(at)] };
          }),
    );
  };
  const until = Math.max(openUntilMin * 1.15, fromMin + 10);
  const x = (at: number) => (wide * Math.min(until, Math.max(0, at))) / until;
  const state = coat ? stateAt(coat.life, now) : null;
  return (
    <main className="flex-1 min-h-0 overflow-y-auto px-7 pt-3 pb-5">
      <RehearseHead title={`Practice on ${piece.name}`} pieces={pieces} chosen={chosen} choose={choose}>
        <SelectField
          label="The piece as it is"
          value={passes}
          onChange={(event) => setFrom(Number(event.target.value))}
          frame="w-56"
        >
          <option value={0}>bare base</option>
          {of.passes.map(({ words, passId, coatId }, n) => (
            <option key={`${coatId} ${passId}`} value={n + 1}>
              after: {words}
            </option>
          ))}
        </SelectField>
        <span>
          <span className="label block mb-1">Clock runs</span>
          <Choice
            label="Clock runs"
            value={speed}
            options={SPEEDS.map((value) => ({ value, words: `${value}×` }))}
            onChange={setSpeed}
          />
        </span>
      </RehearseHead>
      <div className="flex items-end gap-6 mb-2 flex-wrap">
        <p>
          <span className="label block">minute of the film</span>
          <span className="figure text-4xl leading-none">{now.toFixed(1)}</span>
        </p>
        <p>
          <span className="label block">flow left</span>
          <span className="figure text-4xl leading-none">{Math.round(flowLeft * 100)}</span> %{" "}
          <span className="label">
            {Math.round(flow.low * 100)} to {Math.round(flow.high * 100)}
          </span>
        </p>
        {state && <p className="text-xl">{STATE_WORDS[state]}</p>}
        <div role="radiogroup" aria-label="Tool" className="ml-auto flex flex-wrap border border-line-strong">
          {TOOLS.map((offered) => (
            <button
              key={offered}
              type="button"
              role="radio"
              aria-checked={tool === offered}
              onClick={() => setTool(offered)}
              className={`px-2.5 h-9 text-sm border-r border-line-strong last:border-r-0 ${tool === offered ? "bg-ink text-paper" : "hover:bg-paper"}`}
            >
              {WORK_TOOL_WORDS[offered]}
            </button>
          ))}
        </div>
      </div>
      <div ref={ref} className="w-full">
        {width > 0 && (
          <PracticeBoard
            piece={piece}
            picture={wet.canvas}
            drawn={wet.drawn}
            width={wide}
            toolMm={tool === "blade" ? BLADE_MM : TOUCHES[tool].wideMm}
            onBegin={(at, pressure) => {
              if (judged) return;
              setRunning(true);
              drawing.current = { tool, pressure, points: [at], atMin: now, flowLeft };
            }}
            onMove={(at, pressure) => {
              const stroke = drawing.current;
              if (!stroke) return;
              // A pull is as firm as it was on the whole.
              const many = stroke.points.length;
              const next = {
                ...stroke,
                pressure: (stroke.pressure * many + pressure) / (many + 1),
                points: [...stroke.points, at].slice(-400),
              };
              drawing.current = next;
              wet.pull(next, strokes.length, false);
            }}
            onLift={() => {
              const stroke = drawing.current;
              drawing.current = null;
              if (!stroke || stroke.points.length < 2) return;
              wet.pull(stroke, strokes.length, true);
              setStrokes((before) => [...before, stroke].slice(0, 200));
            }}
          />
        )}
        {width > 0 && coat && (
          <svg
            width={wide}
            height="22"
            role="img"
            aria-label={`Minute ${now.toFixed(0)}; the film is gummy from minute ${openUntilMin.toFixed(0)}`}
          >
            <FilmBar life={coat.life} mixedAtMin={0} x={x} untilMin={until} top={8} height={9} />
            <line x1={x(now)} x2={x(now)} y1="0" y2="22" stroke="var(--color-signal)" strokeWidth="3" />
          </svg>
        )}
      </div>
      <div className="flex items-center gap-4 mt-2 mb-4 flex-wrap">
        <Button
          weight="primary"
          disabled={strokes.length === 0 || judged !== null}
          onClick={() => void finish()}
        >
          Stop here, and what was it?
        </Button>
        <Button
          disabled={strokes.length === 0 || judged !== null}
          onClick={() => {
            wet.keep(strokes.length - 1);
            setStrokes((before) => before.slice(0, -1));
          }}
        >
          Take back the last pull
        </Button>
        <Button disabled={strokes.length === 0 && !running} onClick={again}>
          Again from the start
        </Button>
        {judged && <Button onClick={intoPlan}>Make these pulls the pass</Button>}
        <span className="label">
          {strokes.length} {strokes.length === 1 ? "pull" : "pulls"}
          {running ? "" : strokes.length === 0 ? " · the clock starts with the first touch" : ""}
        </span>
        {waiting.practices.length > 0 && (
          <span role="alert" className="text-danger">
            {waiting.practices.length === 1 ? "One practice is" : `${waiting.practices.length} practices are`}{" "}
            kept in this browser only: the server was not reached.{" "}
            <Button weight="quiet" onClick={() => void send(waiting.practices)}>
              keep it now
            </Button>
          </span>
        )}
      </div>
      {judged && <PracticeCritique critique={judged} kept={kept} />}
      {!judged && kept.length > 0 && (
        <p className="label">
          Your last scores:{" "}
          {kept
            .slice(0, 8)
            .map(({ score }) => score)
            .join(" · ")}
        </p>
      )}
    </main>
  );
}
