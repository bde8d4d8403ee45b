"use client";

import { useEffect, useId, useRef, useState } from "react";
import { Button } from "./button";
import { Dialog } from "./dialog";
import { canScan, scanCode } from "./scan-code";

/** A code typed, or read by the camera where the browser has one. */
export function CodeDialog({
  title,
  label,
  start,
  keep,
  wrong = () => null,
  onCode,
  onClose,
}: {
  title: string;
  label: string;
  start: string;
  /** What its button says. */
  keep: string;
  wrong?: (code: string) => string | null;
  onCode: (code: string) => void;
  onClose: () => void;
}) {
  const [typed, setTyped] = useState(start);
  const [scanning, setScanning] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const video = useRef<HTMLVideoElement>(null);
  const id = useId();
  const problem = typed.trim() === "" ? null : wrong(typed);
  useEffect(() => {
    const screen = video.current;
    if (!scanning || !screen) return;
    const stop = new AbortController();
    void scanCode(screen, stop.signal).then((found) => {
      if (stop.signal.aborted) return;
      if (found === null) setTrouble("The camera cannot be used: type it.");
      else setTyped(found);
      setScanning(false);
    });
    return () => stop.abort();
  }, [scanning]);
  return (
    <Dialog open onClose={onClose} title={title}>
      <form
        className="text-ink"
        onSubmit={(event) => {
          event.preventDefault();
          if (typed.trim() === "") return;
          onCode(typed.trim().slice(0, 80));
        }}
      >
        <label className="label" htmlFor={id}>
          {label}
        </label>
        <input
          id={id}
          value={typed}
          onChange={({ target }) => setTyped(target.value)}
          maxLength={80}
          autoFocus
          autoComplete="off"
          className="w-full bg-paper border border-line-strong h-11 px-2 text-lg mt-1"
        />
        {problem && (
          <p role="alert" className="border-l-2 border-danger text-danger pl-2 mt-2">
            {problem}
          </p>
        )}
        {trouble && (
          <p role="status" className="mt-2">
            {trouble}
          </p>
        )}
        {scanning && <video ref={video} muted playsInline className="w-full mt-3 bg-night aspect-video" />}
        <div className="flex gap-4 mt-4 items-center">
          <Button type="submit" weight="primary" disabled={typed.trim() === ""}>
            {keep}
          </Button>
          {canScan() && !scanning && (
            <Button weight="quiet" onClick={() => setScanning(true)}>
              Read it with the camera
            </Button>
          )}
        </div>
      </form>
    </Dialog>
  );
}
