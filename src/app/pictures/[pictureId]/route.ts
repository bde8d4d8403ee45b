import type { NextRequest } from "next/server";
import { pictureBytes } from "@/features/job/queries";
import { Refused } from "@/server/refused";
import { currentPerson } from "@/server/session";

type Context = { params: Promise<{ pictureId: string }> };

/** A picture of the signed-in person's shop. It never changes under its id. */
export async function GET(_request: NextRequest, { params }: Context): Promise<Response> {
  const person = await currentPerson();
  if (!person) return new Response("Sign in first.", { status: 401 });
  try {
    const bytes = await pictureBytes(person, (await params).pictureId);
    return new Response(new Uint8Array(bytes), {
      headers: { "content-type": "image/webp", "cache-control": "private, max-age=31536000, immutable" },
    });
  } catch (failure) {
    if (failure instanceof Refused && failure.error.code === "not-found")
      return new Response("There is no such picture.", { status: 404 });
    throw failure;
  }
}
