import type { ActError } from "@/contracts/act";

/** A foreseeable refusal, carried to the person in words. */
export class Refused extends Error {
  constructor(readonly error: ActError) {
    super(error.message);
  }
}

export const notFound = (what: string) =>
  new Refused({ code: "not-found", message: `There is no such ${what}.` });
