import type { Person } from "@/contracts/people";
import type { KeptQuote } from "@/contracts/quotes";
import { quoteState } from "@/core/money/quote";
import { aside, asideTask } from "@/server/aside";
import { database } from "@/server/database";
import { poursOf } from "@/server/repositories/pours";
import { quotesOf } from "@/server/repositories/quotes";
import type { HeldQuote, QuoteToHold } from "../worked-out";

const heldTask = asideTask<QuoteToHold, HeldQuote | null>("page", "held-quote");
/** Of so many orders, the latest, it is told what they earned. */
export const MOST_ORDERS = 80;

async function held(person: Person, kept: KeptQuote): Promise<HeldQuote | null> {
  const { pours } = await poursOf(database(), person).ofJob(kept.jobId);
  if (pours.length === 0) return null;
  const { timeZone, units } = person;
  return aside(person, heldTask, { kept, pours, timeZone, units });
}

const wasOrdered = ({ quote, entries }: KeptQuote): boolean =>
  quoteState(quote, entries, "").state === "accepted";

/** What was ordered of a job beside what became of it; null where it was not quoted, ordered and poured. */
export async function quotedOfJob(person: Person, jobId: string): Promise<HeldQuote | null> {
  const ordered = (await quotesOf(database(), person).ofJob(jobId)).find(wasOrdered);
  return ordered ? held(person, ordered) : null;
}

/** The latest orders of the shop that are poured, each beside what became of it; and how many orders there are in all. */
export async function shopEarned(person: Person): Promise<{ orders: HeldQuote[]; all: number }> {
  const ordered = (await quotesOf(database(), person).list()).filter(wasOrdered);
  const orders: HeldQuote[] = [];
  // One after the other: they are worked out aside, and others wait there too.
  for (const kept of ordered.slice(0, MOST_ORDERS)) {
    const told = await held(person, kept);
    if (told?.finished) orders.push(told);
  }
  return { orders, all: ordered.length };
}
