import { liesOnTop } from "../schedule/coat";
import type { Advice, AdvisedCoat, Rule } from "./advice";
import { isWhite } from "./seen-colour";
import { adhesiveUnderClear as glued, whiteYellows as yellows } from "./words";

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
      ...yellows(top.resin.name, top.resin.forCounters),
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
        ...glued(),
      },
    ];
  });
