import type { Person } from "@/contracts/people";
import type { Pour, PourHead } from "@/contracts/pours";
import { database } from "@/server/database";
import { poursOf } from "@/server/repositories/pours";

export const openPour = (person: Person, pourId: string): Promise<Pour> =>
  poursOf(database(), person).open(pourId);

export const poursOfJob = (person: Person, jobId: string): Promise<PourHead[]> =>
  poursOf(database(), person).headsOfJob(jobId);
