import { cache } from "react";
import type { Person } from "@/contracts/people";
import type { Pour, PourHead, PourNews } from "@/contracts/pours";
import { database } from "@/server/database";
import { poursOf } from "@/server/repositories/pours";

/** A pour with its entries; read once for a page and its title. */
export const openPour = cache((person: Person, pourId: string): Promise<Pour> =>
  poursOf(database(), person).open(pourId),
);

/** What was recorded of a pour after an entry. */
export const pourNews = (person: Person, pourId: string, after: string): Promise<PourNews> =>
  poursOf(database(), person).since(pourId, after);

export const poursOfJob = (person: Person, jobId: string): Promise<PourHead[]> =>
  poursOf(database(), person).headsOfJob(jobId);
