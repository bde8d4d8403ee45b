import type { z } from "zod";
import type { Act, ActResult } from "./act";

/**
 * Calls an act from the browser. Never throws: no network, or a server that answers nonsense, is the error `unreachable`,
 * and whoever called keeps what was typed.
 */
export async function callAct<Input extends z.ZodType, Output>(
  act: Act<Input, Output>,
  input: z.input<Input>,
  options: { keepalive?: boolean } = {},
): Promise<ActResult<Output>> {
  try {
    const response = await fetch(`/api/act/${act.name}`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify(input),
      credentials: "same-origin",
      ...options,
    });
    return (await response.json()) as ActResult<Output>;
  } catch {
    return {
      ok: false,
      error: {
        code: "unreachable",
        message: "The server does not answer. What you typed is kept here and goes out as soon as it does.",
      },
    };
  }
}

/** Whether the server answers at all just now. */
export async function serverAnswers(): Promise<boolean> {
  try {
    return (await fetch("/api/alive", { cache: "no-store" })).ok;
  } catch {
    return false;
  }
}
