import { starterColours } from "../colour/starter-colours";
import { starterCards } from "../cure/starter-cards";
import { sampleJob } from "./sample-job";
import { usedCards } from "./used-cards";

let made = 0;
const newId = () => `id-${(made += 1)}`;
const resins = starterCards(newId);
const colourants = starterColours(newId);

test("a job takes along the resins of its coats and the colourants of its colours, and no others", () => {
  const job = sampleJob(resins, newId);
  const [white, black] = colourants as [(typeof colourants)[number], (typeof colourants)[number]];
  const part = (cardId: string) => ({ cardId, name: "x", gPer100G: 2, measure: { unit: "gram" as const } });
  job.coats[2]!.colours[0]!.parts = [part(white.id), part(black.id), part("gone")];
  const { cards, colours } = usedCards(job, resins, colourants);
  expect(new Set(cards.map(({ id }) => id))).toEqual(
    new Set(job.coats.map(({ resinCardId }) => resinCardId)),
  );
  expect(colours).toEqual([white, black]);
});
