"use client";

import { useRef, useState } from "react";
import { Button } from "./button";
import { Dialog } from "./dialog";
import { PickColour, type PickedColour } from "./pick-colour";

/** A quiet button that asks for a photograph, or a camera, and lets a colour be picked from it. The picture stays in this browser. */
export function PhotoColour({
  words,
  take,
  onTake,
}: {
  words: string;
  take: string;
  onTake: (picked: PickedColour) => void;
}) {
  const [picture, setPicture] = useState<File | null>(null);
  const choose = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={choose}
        type="file"
        accept="image/*"
        aria-label={`${words}: photograph with a grey card in it`}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          setPicture(event.target.files?.[0] ?? null);
          event.target.value = "";
        }}
      />
      <Button weight="quiet" onClick={() => choose.current?.click()}>
        {words}
      </Button>
      {picture && (
        <Dialog open onClose={() => setPicture(null)} title="A colour from a photograph" wide>
          <PickColour
            source={picture}
            take={take}
            onTake={(picked) => {
              setPicture(null);
              onTake(picked);
            }}
          />
        </Dialog>
      )}
    </>
  );
}
