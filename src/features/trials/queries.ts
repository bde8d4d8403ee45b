import type { Person } from "@/contracts/people";
import type { Trial } from "@/core/learning/trial";
import { database } from "@/server/database";
import { trialsOf } from "@/server/repositories/trials";

/** The shop's trials, the latest first. */
export const shopTrials = (person: Person): Promise<Trial[]> => trialsOf(database(), person).list();
