"use client";

import { useEffect, useId, useRef, useState } from "react";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { canScan, scanCode } from "./scan-code";

/** The lot of the bottle that a part comes from: typed, or read by the camera where the browser can. */
export function LotField({
  lot,
  label,
  wrong,
  onLot,
}: {
  lot: string | undefined;
  label: string;
  wrong: (lot: string) => string | null;
  onLot: (lot: string) => void;
}) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        aria-label={`Lot of ${label}`}
        className="underline underline-offset-4 text-base text-night-soft whitespace-nowrap max-w-32 truncate"
      >
        {lot === undefined ? "lot" : `lot ${lot}`}
      </button>
      {open && (
        <LotDialog label={label} lot={lot ?? ""} wrong={wrong} onLot={onLot} onClose={() => setOpen(false)} />
      )}
    </>
  );
}

function LotDialog({
  label,
  lot,
  wrong,
  onLot,
  onClose,
}: {
  label: string;
  lot: string;
  wrong: (lot: string) => string | null;
  onLot: (lot: string) => void;
  onClose: () => void;
}) {
  const [typed, setTyped] = useState(lot);
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
    <Dialog open onClose={onClose} title={`Lot of ${label}`}>
      <form
        className="text-ink"
        onSubmit={(event) => {
          event.preventDefault();
          if (typed.trim() === "") return;
          onLot(typed.trim().slice(0, 80));
          onClose();
        }}
      >
        <label className="label" htmlFor={id}>
          As it stands on the bottle
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
            Keep the lot
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
