"use client";

import { useEffect, useState } from "react";
import { beforeClick } from "./before-click";
import { keepText, keptText } from "./kept-text";
import { TextField } from "./text-field";

/**
 * A field that takes a few words, as they are said: they count on Enter and on leaving. What cannot be read stays as typed, with what is wrong
 * with it, over a reload too.
 */
export function SaidField({
  label,
  value = "",
  placeholder,
  read,
  keep,
  frame,
}: {
  label: string;
  /** What stands there when nobody types; empty for a field that only takes. */
  value?: string;
  placeholder?: string;
  /** Takes the words; tells what is wrong with them, or null. */
  read: (text: string) => string | null;
  keep?: string;
  frame?: string;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  // Storage is read after mounting: the server has none. What was left before it counted counts now.
  useEffect(() => {
    const kept = keptText(keep);
    if (kept === null) return;
    const wrong = kept.trim() === value ? null : read(kept);
    if (wrong === null) return keepText(keep, null);
    // eslint-disable-next-line react-hooks/set-state-in-effect -- storage outside React, read once after mounting
    setTyped(kept);
    setError(wrong);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once
  }, []);
  const take = () => {
    if (typed === null) return;
    const wrong = typed.trim() === value ? null : read(typed);
    setError(wrong);
    if (wrong !== null) return;
    setTyped(null);
    keepText(keep, null);
  };
  return (
    <form
      className={frame}
      onSubmit={(event) => {
        event.preventDefault();
        take();
      }}
    >
      <TextField
        label={label}
        placeholder={placeholder}
        value={typed ?? value}
        maxLength={200}
        error={error}
        autoComplete="off"
        onChange={(event) => {
          setTyped(event.target.value);
          keepText(keep, event.target.value);
        }}
        onBlur={() => beforeClick(take)}
      />
    </form>
  );
}
