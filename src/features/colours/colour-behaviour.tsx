import type { ColourCard, Optics } from "@/core/colour/colour-card";
import { decimal } from "@/core/units/format-quantity";
import { cardLook, LADDER } from "./card-look";

/** What a colourant does: let down with white, as a film over white and black, and how far that can be trusted. */
export function ColourBehaviour({
  card,
  optics,
}: {
  card: Pick<ColourCard, "kind" | "appearance">;
  optics: Optics;
}) {
  const look = cardLook(card, optics);
  const painted = (stops: readonly string[]) =>
    stops.length > 1 ? `linear-gradient(100deg, ${stops.join(", ")})` : stops[0];
  return (
    <div className="flex flex-col gap-5">
      {look.ladder && (
        <div>
          <div className="label mb-1">Let down with white, share of dry pigment</div>
          <div className="flex border border-ink max-w-2xl">
            {look.ladder.map((hex, index) => (
              <div key={LADDER[index]} className="flex-1">
                <div className="h-20" style={{ background: hex }} />
                <div className="label px-1.5 py-0.5">{decimal((LADDER[index] ?? 0) * 100, 0)} %</div>
              </div>
            ))}
          </div>
        </div>
      )}
      <div>
        <div className="label mb-1">{look.gPer100G} g in 100 g, a film of 1 mm over white and over black</div>
        <div className="flex border border-ink max-w-2xl h-24">
          <div className="flex-1" style={{ background: painted(look.overWhite) }} />
          <div className="flex-1" style={{ background: painted(look.overBlack) }} />
        </div>
      </div>
      <p className="text-sm max-w-xl">
        {optics.trust.rough
          ? "Rough: one swatch leaves its strength open by a factor of two or more. Add the other one."
          : `Mixes from it should lie within ΔE ${decimal(optics.trust.meanDifference, 1)} on average.`}
        {optics.strained && (
          <span role="status" className="block border-l-[3px] border-ink pl-3 mt-2">
            These swatches can hardly be of one pigment: look whether one is mistyped, or lit otherwise.
          </span>
        )}
      </p>
    </div>
  );
}
