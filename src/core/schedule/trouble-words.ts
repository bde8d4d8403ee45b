import { durationWords } from "../units/duration";
import { FLASH_OFF_MIN } from "./pass";

/** All that is said of what is wrong with the days, as functions of what was found. */
export type TroubleKind =
  | "night"
  | "after hours"
  | "late"
  | "may be late"
  | "never"
  | "sand first"
  | "not yet"
  | "past"
  | "hands"
  | "waits"
  | "no place"
  | "fire";

/** A trouble in few words. */
export const TROUBLE_WORDS: Record<TroubleKind, string> = {
  night: "in the night",
  "after hours": "after hours",
  late: "when the window is over",
  "may be late": "when the window may be over",
  never: "never",
  "sand first": "after the recoat window: sand first",
  "not yet": "later than it was asked for",
  past: "in the past",
  hands: "with no hands free in its window",
  waits: "that waits for hands",
  "no place": "with no place for the piece",
  fire: "into vapour that burns",
};

export const passSaid = {
  never: (pass: string) => `${pass}: in this room the film never gets there.`,
  hands: (pass: string, on: string, surely: boolean) =>
    `${pass} waits for hands, which are on ${on}: its window ${surely ? "is" : "may be"} over by then.`,
  late: (pass: string) => `${pass}: its window is over by then.`,
  mayBeLate: (pass: string) => `${pass}: the window may be over by then.`,
  night: (pass: string) => `${pass} falls in the night.`,
  afterHours: (pass: string) => `${pass} falls after hours.`,
  roundsAtNight: (pass: string, many: number, of: number) =>
    `${pass}: ${many} of ${of} rounds fall${many === 1 ? "s" : ""} in the night.`,
  roundsAfterHours: (pass: string, many: number, of: number) =>
    `${pass}: ${many} of ${of} rounds fall${many === 1 ? "s" : ""} after hours.`,
  fire: (pass: string) =>
    `${pass} falls into vapour that burns: wait ${FLASH_OFF_MIN} minutes after the last drop on any coat.`,
};

export const mixSaid = {
  never: (coat: string) => `${coat} never starts: in this room the coat below does not harden.`,
  waits: (coat: string, minutes: number, on: string) =>
    `${coat} waits ${Math.round(minutes)} min for hands, which are on ${on}.`,
  sandFirst: (coat: string, below: string) =>
    `${coat} comes after the recoat window of ${below}: sand first.`,
  hardened: (coat: string, below: string) =>
    `${below} has set by the time ${coat} is mixed: they will not bond as wet on wet. Sand first, or begin earlier.`,
  notYet: (coat: string, minutes: number) =>
    `${coat} begins ${durationWords(minutes)} later than asked: the coat below is not ready before.`,
  night: (coat: string) => `${coat} is mixed in the night.`,
  afterHours: (coat: string) => `${coat} is mixed after hours.`,
  past: () => "This start is in the past.",
};
