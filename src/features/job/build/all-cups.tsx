"use client";

import { giveCups, giveEachCup, giveEqual, giveParts } from "@/core/schedule/amounts";
import type { Coat } from "@/core/schedule/coat";
import { readCupDose, readCups } from "@/core/schedule/read-cups";
import { Button } from "@/ui/button";
import { SaidField } from "@/ui/said-field";
import { useJob } from "../workspace/use-job";

/** All cups at once, as it is said: "2 : 14 : 12", "10 ml each", "a level spoon". */
export function AllCups({ coat, onCoat }: { coat: Coat; onCoat: (coat: Coat) => void }) {
  const { system } = useJob();
  const many = coat.colours.length;
  return (
    <div className="flex items-start gap-3 mt-1.5">
      {many > 1 && (
        <SaidField
          label="All cups, from the first"
          placeholder={system === "us" ? "2 : 14 : 12 oz" : "60 : 400 : 350 ml"}
          frame="flex-1 min-w-0"
          read={(text) => {
            if (text.trim() === "") return null;
            const said = readCups(text, many, system);
            if (said) onCoat(said.by === "parts" ? giveParts(coat, said.parts) : giveCups(coat, said.ml));
            return said ? null : `Type ${many} parts or volumes in the order of the cups, or one and “each”.`;
          }}
        />
      )}
      <SaidField
        label="Into each cup"
        placeholder="a level spoon"
        frame="flex-1 min-w-0"
        read={(text) => {
          if (text.trim() === "") return null;
          const dose = readCupDose(text);
          if (dose) onCoat(giveEachCup(coat, dose.count, dose.unit));
          return dose ? null : "Type a number of level spoons, drops or g.";
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
