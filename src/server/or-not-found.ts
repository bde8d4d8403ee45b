import { notFound, redirect } from "next/navigation";
import { Refused } from "./refused";

/** For pages: what belongs to another shop, or to nobody, is not there. */
export async function orNotFound<Value>(value: Promise<Value>): Promise<Value> {
  try {
    return await value;
  } catch (failure) {
    if (failure instanceof Refused && failure.error.code === "not-found") notFound();
    throw failure;
  }
}

/** For pages of a job: one that cannot be read leads to its earlier versions. */
export async function orVersions<Value>(jobId: string, value: Promise<Value>): Promise<Value> {
  try {
    return await value;
  } catch (failure) {
    if (failure instanceof Refused && failure.error.code === "unreadable") redirect(`/versions/${jobId}`);
    throw failure;
  }
}
