import { liesOnTop } from "../schedule/coat";
import type { Advice, AdvisedCoat, Rule } from "./advice";
import { isWhite } from "./seen-colour";

/** Share of white or clear above which ageing shows. */
const MUCH_WHITE = 0.3;

/** The coat that light and eye meet: the last that lies on the top. */
const outermost = (coats: readonly AdvisedCoat[]) => coats.filter(({ coat }) => liesOnTop(coat)).at(-1);

/** White, and what is under clear, yellows with age. */
export const whiteYellows: Rule = ({ coats }) => {
  const top = outermost(coats);
  if (!top?.resin || top.resin.kind === "hybrid" || top.resin.kind === "paint") return [];
  const white = coats.find(
    ({ coat, seen }) =>
      coat.kind === "colour" &&
      seen.colours.filter(isWhite).reduce((sum, { colour }) => sum + colour.share, 0) >= MUCH_WHITE,
  );
  const looks = white?.seen.colours.find(isWhite);
  if (!white || !looks) return [];
  return [
    {
      rule: "white-yellows",
      coatId: white.coat.id,
      at: "shares",
      what: `White under or in ${top.resin.name} yellows with age in sunlight.`,
      soWhat: top.resin.forCounters
        ? "Tell the client, keep it from a south window, or take a coating that is no epoxy for the last coat."
        : "Its card is not made for light: take one that is, or a coating that is no epoxy, for the last coat.",
      kind: "common practice",
      why: "Epoxies yellow under ultraviolet light, the sooner the less they are stabilised; on white and clear it is seen first. Hybrid coatings that are no epoxy stay white; they are thinner and behave differently.",
    },
  ];
};

/** What is glued in under clear. */
export const adhesiveUnderClear: Rule = ({ coats }) =>
  coats.flatMap(({ coat }, at): Advice[] => {
    const set = (coat.embeds ?? []).find(({ kind }) => kind !== "glitter");
    const pass = coat.passes.find(({ kind }) => kind === "stones");
    if (!set && !pass) return [];
    const lookedThrough = coats
      .slice(at)
      .some(({ coat: over }) => over.colours.some(({ look }) => look === "clear" || look === "tint"));
    if (!lookedThrough) return [];
    return [
      {
        rule: "adhesive-under-clear",
        coatId: coat.id,
        at: pass?.id ?? "embeds",
        what: "Set them with resin, not with hot glue.",
        soWhat: "Under clear some adhesives go brown.",
        kind: "common practice",
        why: "Hot glue under clear has discoloured finished work. A dab of the same resin, gone gummy, holds a stone and is never seen.",
      },
    ];
  });
