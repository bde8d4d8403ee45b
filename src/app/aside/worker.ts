import { TASKS } from "./tasks";

/** The thread's side of `aside`: bundled by scripts/build-aside.mjs, run by Piscina. */
export default async function work({ name, input }: { name: string; input: unknown }): Promise<unknown> {
  const task = TASKS[name];
  if (!task) throw new Error(`There is no task ${name}`);
  return task(input);
}
