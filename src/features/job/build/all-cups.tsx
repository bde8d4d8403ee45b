"use client";

import { useState } from "react";
import { giveCups, giveEachCup, giveEqual, giveParts } from "@/core/schedule/amounts";
import type { Coat } from "@/core/schedule/coat";
import { readCupDose, readCups } from "@/core/schedule/read-cups";
import { beforeClick } from "@/ui/before-click";
import { Button } from "@/ui/button";
import { TextField } from "@/ui/text-field";
import { useJob } from "../workspace/use-job";

/** All cups at once, as it is said: "2 : 14 : 12", "10 ml each", "a level spoon". */
export function AllCups({ coat, onCoat }: { coat: Coat; onCoat: (coat: Coat) => void }) {
  const { system } = useJob();
  const many = coat.colours.length;
  return (
    <div className="flex items-start gap-3 mt-1.5">
      {many > 1 && (
        <Said
          label="All cups, from the first"
          placeholder={system === "us" ? "2 : 14 : 12 oz" : "60 : 400 : 350 ml"}
          wrong={`Type ${many} parts or volumes in the order of the cups, or one and “each”.`}
          read={(text) => {
            const said = readCups(text, many, system);
            if (said) onCoat(said.by === "parts" ? giveParts(coat, said.parts) : giveCups(coat, said.ml));
            return said !== null;
          }}
        />
      )}
      <Said
        label="Into each cup"
        placeholder="a level spoon"
        wrong="Type a number of level spoons, drops or g."
        read={(text) => {
          const dose = readCupDose(text);
          if (dose) onCoat(giveEachCup(coat, dose.count, dose.unit));
          return dose !== null;
        }}
      />
      {many > 1 && (
        <Button weight="quiet" className="mt-6 whitespace-nowrap" onClick={() => onCoat(giveEqual(coat))}>
          all equal
        </Button>
      )}
    </div>
  );
}

/** A field that takes a few words, and is empty again when they have counted. */
function Said({
  label,
  placeholder,
  wrong,
  read,
}: {
  label: string;
  placeholder: string;
  wrong: string;
  read: (text: string) => boolean;
}) {
  const [typed, setTyped] = useState("");
  const [error, setError] = useState<string | null>(null);
  const take = () => {
    const good = typed.trim() === "" || read(typed);
    setError(good ? null : wrong);
    if (good) setTyped("");
  };
  return (
    <form
      className="flex-1 min-w-0"
      onSubmit={(event) => {
        event.preventDefault();
        take();
      }}
    >
      <TextField
        label={label}
        placeholder={placeholder}
        value={typed}
        error={error}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => beforeClick(take)}
      />
    </form>
  );
}
