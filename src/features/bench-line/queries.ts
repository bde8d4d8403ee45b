import { setTimeout } from "node:timers/promises";
import type { Person } from "@/contracts/people";
import { aside, asideTask } from "@/server/aside";
import { database } from "@/server/database";
import { poursOf } from "@/server/repositories/pours";
import type { PourShown, PourToShow, WetNow } from "./wet-now";

const wetNowTask = asideTask<PourToShow, PourShown>("page", "wet-now");

/** A page waits for the dark line so long at most, ms. */
const LATEST_MS = 2500;

/** What is wet now in the shop: of each live pour the coat that was mixed last. A pour that cannot be worked out leaves the others alone. */
export async function wetNow(person: Person): Promise<WetNow[]> {
  const pours = poursOf(database(), person);
  const live = await pours.liveEvents();
  // Before a first entry nothing is wet.
  const begun = live.filter(({ events }) => events.length > 0);
  const order = begun.map(({ head }) => head.id);
  const wet: WetNow[] = [];
  const all = Promise.all(
    begun.map(async ({ head, events }) => {
      const ask = (planText: string | null) =>
        aside(person, wetNowTask, { head, events, units: person.units, timeZone: person.timeZone, planText });
      try {
        let shown = await ask(null);
        if (shown.needsPlan) shown = await ask(await pours.planText(head.id));
        if (!shown.needsPlan && shown.wet) wet.push(shown.wet);
      } catch (failure) {
        console.error(`Pour ${head.id} cannot be worked out:`, failure);
      }
    }),
  );
  // A page does not wait for more than it takes to look at: what is not worked out by then is there for the next one.
  const late = setTimeout(LATEST_MS, undefined, { ref: false });
  await Promise.race([all, late]);
  return [...wet].sort((a, b) => order.indexOf(a.pourId) - order.indexOf(b.pourId));
}
