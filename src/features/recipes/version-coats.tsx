import { COAT_WORDS, START_WORDS } from "@/core/schedule/coat";
import { PASS } from "@/core/passes/facts";
import { wettedWords } from "@/core/pour/step-words";
import { passWhenWords } from "@/core/schedule/when";
import type { ResinCard } from "@/core/cure/resin-card";
import type { CoatLooks } from "@/core/plan/colour-plan";
import type { UnitSystem } from "@/core/units/dimension";
import { swatchOf } from "./recipe-look";
import { decimal, quantityText, trimmed } from "@/core/units/format-quantity";
import { useClockWords } from "@/ui/shop-clock";

const lit = (swatch: readonly string[]) =>
  swatch.length > 1 ? `linear-gradient(100deg, ${swatch.join(", ")})` : (swatch[0] ?? "transparent");

/** What a colour is mixed of, for 100 g. */
const dosesOf = ({ colour }: CoatLooks["colours"][number]) =>
  colour.parts
    ? colour.parts.map((part) => `${part.name} ${trimmed(part.gPer100G, 2)} g`).join(", ")
    : colour.gPer100G > 0
      ? `${trimmed(colour.gPer100G, 2)} g, its look typed`
      : "clear";

const said = (words: string) => (words === "" ? "" : `, ${words}`);

/** The coats of a version from the top down: shares as wide as they are, films, doses, passes. */
export function VersionCoats({
  coats,
  resins,
  system,
}: {
  coats: readonly CoatLooks[];
  resins: readonly ResinCard[];
  system: UnitSystem;
}) {
  const { style } = useClockWords();
  return (
    <ol aria-label="Coats, from the top down">
      {[...coats].reverse().map(({ coat, colours }) => (
        <li
          key={coat.id}
          className="border-t border-line py-3 grid grid-cols-[150px_1fr] max-sm:grid-cols-1 gap-x-5 gap-y-1"
        >
          <div>
            <div className="font-semibold leading-tight">{coat.name}</div>
            <div className="label">{COAT_WORDS[coat.kind].toLowerCase()}</div>
            <div className="figure mt-1">{quantityText(coat.filmMm, "film", system)}</div>
            <div className="label">
              {resins.find((card) => card.id === coat.resinCardId)?.name ?? "no resin chosen"}
            </div>
          </div>
          <div className="min-w-0">
            <div className="flex h-9 border border-ink">
              {colours.map((looks) => (
                <div
                  key={looks.colour.id}
                  style={{ flexGrow: looks.colour.share, background: lit(swatchOf(looks)) }}
                />
              ))}
            </div>
            <div className="grid grid-cols-[repeat(auto-fit,minmax(130px,1fr))] gap-x-5 gap-y-1 mt-1.5">
              {colours.map((looks) => (
                <div key={looks.colour.id} className="leading-tight">
                  {looks.colour.name}{" "}
                  <span className="figure">
                    {decimal(looks.colour.share * 100, 0)}
                    <span className="unit">%</span>
                  </span>
                  <div className="label">{dosesOf(looks)}</div>
                </div>
              ))}
            </div>
            {coat.passes.length > 0 && (
              <p className="label mt-1.5">
                {START_WORDS[coat.startsAfter]}:{" "}
                {coat.passes
                  .map(
                    (pass) =>
                      PASS[pass.kind].words.toLowerCase() +
                      (pass.rounds > 1 ? ` × ${pass.rounds}` : "") +
                      said(wettedWords(pass, coat.colours) ?? "") +
                      said(passWhenWords(pass, coat.passes, style)) +
                      (pass.stopHere ? ` (may stop: ${pass.stopHere})` : ""),
                  )
                  .join(" → ")}
              </p>
            )}
          </div>
        </li>
      ))}
    </ol>
  );
}
