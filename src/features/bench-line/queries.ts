import type { Person } from "@/contracts/people";
import { aside, asideTask } from "@/server/aside";
import { database } from "@/server/database";
import { poursOf } from "@/server/repositories/pours";
import type { PourShown, PourToShow, WetNow } from "./wet-now";

const wetNowTask = asideTask<PourToShow, PourShown>("wet-now");

/** What is wet now in the shop: of each live pour the coat that was mixed last. A pour that cannot be worked out leaves the others alone. */
export async function wetNow(person: Person): Promise<WetNow[]> {
  const pours = poursOf(database(), person);
  const live = await pours.liveEvents();
  // Before a first entry nothing is wet.
  const begun = live.filter(({ events }) => events.length > 0);
  const wet = await Promise.all(
    begun.map(async ({ head, events }) => {
      const ask = (planText: string | null) =>
        aside(person, wetNowTask, { head, events, units: person.units, planText });
      try {
        let shown = await ask(null);
        if (shown.needsPlan) shown = await ask(await pours.planText(head.id));
        return shown.needsPlan ? null : shown.wet;
      } catch (failure) {
        console.error(`Pour ${head.id} cannot be worked out:`, failure);
        return null;
      }
    }),
  );
  return wet.filter((one) => one !== null);
}
