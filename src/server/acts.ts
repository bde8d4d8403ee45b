import type { z } from "zod";
import type { Act, ActResult } from "@/contracts/act";
import type { Person } from "@/contracts/people";
import { Refused } from "./refused";

/** An act with what it does. */
export type Implemented = { act: Act; run: (person: Person | null, input: unknown) => Promise<unknown> };

/** Binds a contract to its doing, for acts that a signed-in person calls. */
export function implement<Input extends z.ZodType, Output>(
  act: Act<Input, Output>,
  run: (person: Person, input: z.output<Input>) => Promise<Output>,
): Implemented {
  return {
    act,
    run: (person, input) => {
      if (!person)
        throw new Refused({ code: "signed-out", message: "Sign in again. What you typed is kept here." });
      return run(person, input as z.output<Input>);
    },
  };
}

/** The same for acts that anybody may call. */
export function implementOpen<Input extends z.ZodType, Output>(
  act: Act<Input, Output>,
  run: (input: z.output<Input>) => Promise<Output>,
): Implemented {
  return { act, run: (_person, input) => run(input as z.output<Input>) };
}

/**
 * Runs an act for a person: checks who calls, reads the input by its schema, turns refusals into answers.
 * Anything unforeseen is thrown on.
 */
export async function perform(
  implemented: Implemented,
  person: Person | null,
  input: unknown,
): Promise<ActResult<unknown>> {
  const { act, run } = implemented;
  try {
    if (act.caller !== "anybody" && !person)
      throw new Refused({ code: "signed-out", message: "Sign in again. What you typed is kept here." });
    if (act.caller === "owner" && person?.role !== "owner")
      throw new Refused({ code: "forbidden", message: "Only an owner of the shop can do that." });
    const read = act.input.safeParse(input);
    if (!read.success) {
      const issue = read.error.issues[0];
      throw new Refused({
        code: "invalid",
        message: issue?.message ?? "Something in the entry cannot be read.",
        field: issue?.path.join(".") ?? "",
      });
    }
    return { ok: true, value: await run(person, read.data) };
  } catch (failure) {
    if (failure instanceof Refused) return { ok: false, error: failure.error };
    throw failure;
  }
}
