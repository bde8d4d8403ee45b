import { randomUUID } from "node:crypto";
import type { Person } from "@/contracts/people";
import type { ResinCard } from "@/core/cure/resin-card";
import { sampleJob } from "@/core/job/sample-job";
import { starterCards } from "@/core/cure/starter-cards";
import type { JobDocument } from "@/core/job/job";
import { database, type Database } from "../database";
import { migrate } from "../migrate";
import { jobsOf } from "../repositories/jobs";
import { signInBook } from "../repositories/people";
import { resinCardsOf } from "../repositories/resin-cards";

/** The test database with its tables. Shops made by a test are its own, so that tests do not see each other. */
export async function testDatabase(): Promise<Database> {
  const db = database();
  await migrate(db);
  return db;
}

export type TestShop = { owner: Person; cards: ResinCard[]; jobId: string; document: JobDocument };

/** A shop with an owner, the starting cards and one job at revision 2. */
export async function testShop(db: Database): Promise<TestShop> {
  const book = signInBook(db);
  const { personId } = await book.found(`Shop ${randomUUID().slice(0, 8)}`, {
    name: "Owner",
    email: `${randomUUID()}@test.example`,
    units: "metric",
    clock: "24h",
    passwordHash: "not a hash",
  });
  const owner = await book.person(personId);
  if (!owner) throw new Error("The owner is not there");
  const cards: ResinCard[] = [];
  for (const { id: _id, ...fields } of starterCards(() => ""))
    cards.push(await resinCardsOf(db, owner).add(fields));
  const document = sampleJob(cards, randomUUID);
  const jobs = jobsOf(db, owner);
  const jobId = await jobs.create(
    { name: "Counter", client: "", status: "planning", dueOn: null },
    { ...document, coats: [] },
  );
  await jobs.save(jobId, 1, document);
  return { owner, cards, jobId, document };
}
