import { addStarterColours } from "@/contracts/colour-card";
import { createJob, describeJob, saveJob } from "@/contracts/jobs";
import { addPerson, type Person } from "@/contracts/people";
import { recordPour } from "@/contracts/pours";
import { saveResinCard } from "@/contracts/resin-card";
import type { Act } from "@/contracts/act";
import type { ResinCard } from "@/core/cure/resin-card";
import { starterCards } from "@/core/plan/sample-job";
import { ACTS } from "@/app/api/act/registry";
import { perform } from "@/server/acts";
import { database } from "@/server/database";
import { hashPassword } from "@/server/passwords";
import { colourCardsOf } from "@/server/repositories/colour-cards";
import { signInBook } from "@/server/repositories/people";
import { poursOf } from "@/server/repositories/pours";
import type { z } from "zod";
import { demoPour } from "./pours";
import { DEMO_PASSWORD, DEMO_PEOPLE, DEMO_SHOP, demoJobs } from "./shop";

/** Calls an act as a person would, and stops at the first that is refused. */
async function doAct<Input extends z.ZodType, Output>(
  person: Person,
  act: Act<Input, Output>,
  input: z.input<Input>,
): Promise<Output> {
  const implemented = ACTS.get(act.name);
  if (!implemented) throw new Error(`No act ${act.name}`);
  const result = await perform(implemented, person, input);
  if (!result.ok) throw new Error(`${act.name}: ${result.error.message} ${result.error.field ?? ""}`);
  return result.value as Output;
}

/** Founds a shop with one owner and the starting resin cards. */
export async function foundShop(
  shopName: string,
  owner: { name: string; email: string; password: string },
  units: "us" | "metric" = "us",
): Promise<{ person: Person; cards: ResinCard[] }> {
  const book = signInBook(database());
  const { personId } = await book.found(shopName, {
    name: owner.name,
    email: owner.email,
    units,
    passwordHash: await hashPassword(owner.password),
  });
  const person = await book.person(personId, 1);
  if (!person) throw new Error("The owner is not there");
  const cards: ResinCard[] = [];
  for (const { id: _id, ...fields } of starterCards(() => ""))
    cards.push(await doAct(person, saveResinCard, { cardId: null, fields }));
  await doAct(person, addStarterColours, {});
  return { person, cards };
}

/** Loads the made-up shop, by the same acts that people use, unless somebody is there already. */
export async function loadDemo(now: Date): Promise<boolean> {
  if (!(await signInBook(database()).isEmpty())) return false;
  const [owner, ...hands] = DEMO_PEOPLE;
  if (!owner) throw new Error("The demo shop has no owner");
  const { person, cards } = await foundShop(DEMO_SHOP, { ...owner, password: DEMO_PASSWORD });
  const shelf = await colourCardsOf(database(), person).list();
  for (const hand of hands) await doAct(person, addPerson, { ...hand, password: DEMO_PASSWORD });

  for (const { fields, document, pour } of demoJobs(cards, shelf).reverse()) {
    const { dueInDays, ...rest } = fields;
    const dueOn =
      dueInDays === null ? null : new Date(now.getTime() + dueInDays * 86400_000).toISOString().slice(0, 10);
    const { jobId } = await doAct(person, createJob, { fields: { ...rest, dueOn } });
    const { revision } = await doAct(person, saveJob, { jobId, revision: 1, document });
    if (!pour) continue;
    const used = cards.filter((card) => document.coats.some((coat) => coat.resinCardId === card.id));
    const { startedAt, events } = demoPour(pour, document, used, now);
    const pourId = crypto.randomUUID();
    await poursOf(database(), person).start({
      id: pourId,
      jobId,
      jobRevision: revision,
      at: startedAt,
      plan: { document, cards: used },
    });
    await doAct(person, recordPour, { pourId, events });
    // Recording a finish set the job curing; the list shows where it stands by now.
    await doAct(person, describeJob, { jobId, fields: { ...rest, dueOn } });
  }
  return true;
}
