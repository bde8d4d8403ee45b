"use client";

import { useState } from "react";
import { Button } from "./button";
import { Dialog } from "./dialog";
import { useFileChooser } from "./use-file-chooser";
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
  const chooser = useFileChooser({
    label: `${words}: photograph with a grey card in it`,
    accept: "image/*",
    onFile: setPicture,
  });
  return (
    <>
      {chooser.input}
      <Button weight="quiet" onClick={chooser.choose}>
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
