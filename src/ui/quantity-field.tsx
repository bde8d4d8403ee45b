"use client";

import { useEffect, useId, useRef, useState, type KeyboardEvent } from "react";
import { SHOWN_UNIT, unitOf, type Dimension, type UnitSystem } from "@/core/units/dimension";
import { editableText, formatQuantity, otherSystem, quantityText } from "@/core/units/format-quantity";
import { parseQuantity, type Bounds } from "@/core/units/parse-quantity";
import { beforeClick } from "./before-click";
import { classNames } from "./class-names";
import { controlLook, FieldFrame } from "./field-frame";
import { keepText, keptText } from "./kept-text";

type Props = {
  label: string;
  /** In base units; null only where `optional`. */
  value: number | null;
  dimension: Dimension;
  system: UnitSystem;
  bounds?: Bounds;
  onChange: (value: number) => void;
  /** Set where the field may be empty. */
  onClear?: () => void;
  /** What is wrong with the value where it stands, e.g. a cut-out that reaches over the edge. */
  fault?: string | null;
  /** Where unreadable text is kept across a reload. */
  keep?: string;
  /** Hides the line with the other unit system. */
  bare?: boolean;
  size?: "normal" | "large";
  className?: string;
  autoFocus?: boolean;
  /** For rows of a table whose head says what stands below, and in what unit. */
  hideLabel?: boolean;
};

const PAUSE_MS = 900;
/** A number counts when nobody has typed for so long: "500" may be on its way to "5000". */
const SETTLE_MS = 400;

/**
 * A field for a quantity, typed in any unit. What is typed counts after a short pause, on Enter and on leaving, and the field says so while it
 * waits; what cannot be read stays as typed, says what is wrong in words, and the last good value goes on counting. Arrow keys step by one
 * shown unit (Shift: ten), at once.
 */
export function QuantityField({
  label,
  value,
  dimension,
  system,
  bounds = {},
  onChange,
  onClear,
  fault,
  keep,
  bare,
  size = "normal",
  className,
  autoFocus,
  hideLabel,
}: Props) {
  const id = useId();
  const shown =
    value === null ? "" : formatQuantity(value, dimension, system).number.replaceAll("\u2009", "");
  const [typed, setTyped] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const sent = useRef(value);
  const pause = useRef<ReturnType<typeof setTimeout>>(undefined);
  /** Readable, and not counted yet. */
  const [waits, setWaits] = useState(false);
  const settle = useRef<{ timer: ReturnType<typeof setTimeout>; count: () => void } | null>(null);
  /** Counts what waits, now. */
  const settleNow = () => {
    const waiting = settle.current;
    if (!waiting) return;
    clearTimeout(waiting.timer);
    settle.current = null;
    setWaits(false);
    waiting.count();
  };
  const drop = () => {
    if (settle.current) clearTimeout(settle.current.timer);
    settle.current = null;
    setWaits(false);
  };
  // A view that is left takes what was typed last with it.
  useEffect(
    () => () => {
      const waiting = settle.current;
      if (!waiting) return;
      clearTimeout(waiting.timer);
      settle.current = null;
      waiting.count();
    },
    [],
  );

  const read = (text: string) => parseQuantity(text, dimension, system, bounds);

  // What was left unreadable before a reload comes back as it was. Storage is read after mounting: the server has none.
  useEffect(() => {
    const kept = keptText(keep);
    if (kept === null) return;
    const parsed = parseQuantity(kept, dimension, system, bounds);
    if (parsed.ok) {
      // Left while it waited: it counts now.
      keepText(keep, null);
      if (!Object.is(parsed.value, value)) {
        sent.current = parsed.value;
        onChange(parsed.value);
      }
      return;
    }
    // eslint-disable-next-line react-hooks/set-state-in-effect -- storage outside React, read once after mounting
    setTyped(kept);
    setError(parsed.message);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once
  }, []);

  // A value that changed elsewhere (undo, another field) replaces what stands here.
  useEffect(() => {
    if (Object.is(sent.current, value)) return;
    sent.current = value;
    if (settle.current) clearTimeout(settle.current.timer);
    settle.current = null;
    setWaits(false);
    setTyped(null);
    setError(null);
    keepText(keep, null);
  }, [value, keep]);

  const take = (text: string, atOnce = false) => {
    setTyped(text);
    clearTimeout(pause.current);
    drop();
    if (text.trim() === "" && onClear) {
      setError(null);
      keepText(keep, null);
      sent.current = null;
      onClear();
      return;
    }
    const parsed = read(text);
    if (parsed.ok) {
      setError(null);
      keepText(keep, null);
      if (Object.is(parsed.value, value)) return;
      const count = () => {
        keepText(keep, null);
        sent.current = parsed.value;
        onChange(parsed.value);
      };
      if (atOnce) return count();
      keepText(keep, text);
      settle.current = { timer: setTimeout(settleNow, SETTLE_MS), count };
      setWaits(true);
      return;
    }
    keepText(keep, text);
    if (error) setError(parsed.message);
    else pause.current = setTimeout(() => setError(parsed.message), PAUSE_MS);
  };

  const leave = () => {
    clearTimeout(pause.current);
    beforeClick(settleNow);
    if (typed === null) return;
    const parsed = read(typed);
    if (parsed.ok || (typed.trim() === "" && onClear)) setTyped(null);
    else setError(parsed.message);
  };

  const step = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === "Enter") settleNow();
    if (event.key !== "ArrowUp" && event.key !== "ArrowDown") return;
    const parsed = typed === null ? { ok: value !== null, value: value ?? 0 } : read(typed);
    if (!parsed.ok) return;
    event.preventDefault();
    const unit = unitOf(dimension, SHOWN_UNIT[dimension][system]);
    const by =
      (dimension === "film" || dimension === "density"
        ? 0.05
        : dimension === "length" && system === "us"
          ? 1 / 4
          : 1) * (event.shiftKey ? 10 : 1);
    const inUnit = unit.fromBase(parsed.value) + (event.key === "ArrowUp" ? by : -by);
    const next = unit.toBase(Number(inUnit.toFixed(6)));
    if (bounds.min !== undefined && next < bounds.min) return;
    if (bounds.max !== undefined && next > bounds.max) return;
    take(editableText(next, dimension, system), true);
  };

  const problem = error
    ? value === null
      ? error
      : `${error} Still counted with ${quantityText(value, dimension, system)}.`
    : (fault ?? null);
  const other = quantityText(value ?? 0, dimension, otherSystem(system));
  const hasOther = !bare && value !== null && other !== quantityText(value, dimension, system);
  const unit = SHOWN_UNIT[dimension][system];

  return (
    <FieldFrame
      id={id}
      label={label}
      error={problem}
      beside={hasOther ? other : undefined}
      className={className}
      hideLabel={hideLabel}
    >
      <div className="relative">
        <input
          id={id}
          autoComplete="off"
          autoCorrect="off"
          spellCheck={false}
          inputMode={dimension === "length" ? "text" : "decimal"}
          autoFocus={autoFocus}
          className={classNames(
            controlLook,
            "figure",
            size === "large" ? "h-12 text-2xl pr-16" : "text-base",
            hideLabel ? "!px-1.5" : unit.length > 3 ? "pr-16" : unit ? "pr-9" : "",
          )}
          value={typed ?? shown}
          aria-invalid={problem !== null}
          aria-describedby={problem ? `${id}-error` : undefined}
          onChange={(event) => take(event.target.value)}
          onBlur={leave}
          onKeyDown={step}
        />
        {(waits || (unit && !hideLabel)) && (
          <span
            className="label absolute right-2 top-1/2 -translate-y-1/2 pointer-events-none"
            title={waits ? "It counts when you pause, or on Enter." : undefined}
          >
            {waits ? "waits" : unit}
          </span>
        )}
      </div>
    </FieldFrame>
  );
}
