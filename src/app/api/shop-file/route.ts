import { NextResponse, type NextRequest } from "next/server";
import { receiveFile } from "@/features/shop-file/queries";
import { Refused } from "@/server/refused";
import { currentPerson } from "@/server/session";
import { isOurs } from "../same-origin";

const refuse = (message: string, status: number) =>
  NextResponse.json(
    { ok: false, error: { code: status === 401 ? "signed-out" : "invalid", message } },
    { status },
  );

/** Receives a file and says what is in it; nothing is taken in yet. */
export async function POST(request: NextRequest): Promise<NextResponse> {
  if (!isOurs(request)) return refuse("This request did not come from Gaugebeam's own pages.", 403);
  const person = await currentPerson();
  if (!person) return refuse("Sign in again, then choose the file once more.", 401);
  if (person.role !== "owner") return refuse("Only an owner of the shop can take a file in.", 403);
  if (!request.body) return refuse("Choose a file.", 422);
  try {
    return NextResponse.json({ ok: true, value: await receiveFile(person, request.body) });
  } catch (failure) {
    if (failure instanceof Refused)
      return NextResponse.json({ ok: false, error: failure.error }, { status: 422 });
    console.error("A file could not be received:", failure);
    return refuse("The file did not arrive whole. Try it again.", 422);
  }
}
