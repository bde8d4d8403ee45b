import type { z } from "zod";

export type Role = "owner" | "hand";

/** Who may call an act: anybody, every person of the shop, or its owners. */
export type Caller = "anybody" | "person" | "owner";

/** A write as it crosses the wire: POST /api/act/<name>, JSON in, JSON out. */
export type Act<Input extends z.ZodType = z.ZodType, Output = unknown> = {
  name: string;
  caller: Caller;
  input: Input;
  output?: Output;
  /** It changes nothing, or so little that it goes on when the disk is full. */
  reads?: true;
};

/** What went wrong, for the person and for the program. `field` is the path of the entry at fault. */
export type ActError = {
  code:
    | "invalid"
    | "signed-out"
    | "forbidden"
    | "not-found"
    | "conflict"
    | "slow-down"
    | "unreadable"
    | "unreachable"
    | "full"
    | "failed";
  message: string;
  field?: string;
  data?: unknown;
};

export type ActResult<Output> = { ok: true; value: Output } | { ok: false; error: ActError };

/** Declares an act; the output is a type only, since it comes from our own server. */
export function act<Output>() {
  return <Input extends z.ZodType>(
    name: string,
    caller: Caller,
    input: Input,
    kind: { reads?: true } = {},
  ): Act<Input, Output> => ({ name, caller, input, ...kind });
}
