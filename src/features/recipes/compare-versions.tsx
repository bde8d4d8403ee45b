"use client";

import { useMemo } from "react";
import type { RecipeVersion } from "@/contracts/recipes";
import { ciede2000, closeness } from "@/core/colour/ciede2000";
import type { ColourCard } from "@/core/colour/colour-card";
import type { ResinCard } from "@/core/cure/resin-card";
import type { CoatLooks } from "@/core/plan/colour-plan";
import { recipeChanges } from "@/core/recipe/recipe-changes";
import type { UnitSystem } from "@/core/units/dimension";
import { decimal } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { recipeLook } from "./recipe-look";
import { VersionCoats } from "./version-coats";

/** Two versions side by side: what differs in words, their averages edge to edge, their coats in columns. */
export function CompareVersions({
  left,
  right,
  colours,
  resins,
  system,
  onClose,
}: {
  left: RecipeVersion;
  right: RecipeVersion;
  colours: readonly ColourCard[];
  resins: readonly ResinCard[];
  system: UnitSystem;
  onClose: () => void;
}) {
  const sides = useMemo(
    () => [left, right].map((version) => ({ version, ...recipeLook(version.document, colours) })),
    [left, right, colours],
  );
  const [a, b] = sides;
  // What is the same twice need not be read twice.
  const alike = left.document.coats.filter((coat) =>
    right.document.coats.some((other) => JSON.stringify(other) === JSON.stringify(coat)),
  );
  const changes = recipeChanges(left.document, right.document, system);
  const difference = a && b ? ciede2000(a.average.lab, b.average.lab) : null;
  return (
    <div>
      <div className="flex items-baseline justify-between border-b border-ink pb-1">
        <h2 className="heading text-xl">
          Version {left.number} beside version {right.number}
        </h2>
        <Button weight="quiet" onClick={onClose}>
          close
        </Button>
      </div>
      <div className="flex gap-6 py-4 items-start max-sm:flex-col">
        <div className="flex border border-ink shrink-0">
          {sides.map(({ version, average }) => (
            <div
              key={version.id}
              role="img"
              aria-label={`Version ${version.number} from some steps back`}
              className="w-28 h-24"
              style={{ background: average.hex }}
            />
          ))}
        </div>
        <div className="min-w-0">
          {difference !== null && (
            <p>
              <span className="label">ΔE00 </span>
              <span className="figure text-2xl">{decimal(difference, 1)}</span>{" "}
              <span className="font-semibold">{closeness(difference)}</span>
            </p>
          )}
          <ul aria-label="What differs" className="text-sm mt-1">
            {changes.map((change) => (
              <li key={change}>{change}</li>
            ))}
            {changes.length === 0 && <li className="text-ink-soft">Nothing differs.</li>}
          </ul>
        </div>
      </div>
      {alike.length > 0 && (
        <p className="label pb-3">The same in both: {alike.map((coat) => coat.name).join(", ")}.</p>
      )}
      <div className="grid grid-cols-2 max-xl:grid-cols-1 gap-8">
        {sides.map(({ version, looks }) => (
          <section key={version.id} aria-label={`Version ${version.number}`}>
            <h3 className="heading pb-2">Version {version.number}</h3>
            <Column
              coats={looks.coats.filter(({ coat }) => !alike.some((same) => same.id === coat.id))}
              resins={resins}
              system={system}
            />
          </section>
        ))}
      </div>
    </div>
  );
}

const Column = ({
  coats,
  resins,
  system,
}: {
  coats: readonly CoatLooks[];
  resins: readonly ResinCard[];
  system: UnitSystem;
}) => (
  <div className="[&_li]:grid-cols-1">
    <VersionCoats coats={coats} resins={resins} system={system} />
  </div>
);
