import type { Person } from "@/contracts/people";
import { Refused } from "@/server/refused";
import { currentPerson } from "@/server/session";

type Context = { params: Promise<{ pictureId: string }> };

/** Answers with a picture of the signed-in person's shop. It never changes under its id. */
export const pictureResponse =
  (read: (person: Person, pictureId: string) => Promise<Buffer>) =>
  async (_request: Request, { params }: Context): Promise<Response> => {
    const person = await currentPerson();
    if (!person) return new Response("Sign in first.", { status: 401 });
    try {
      const bytes = await read(person, (await params).pictureId);
      return new Response(new Uint8Array(bytes), {
        headers: { "content-type": "image/webp", "cache-control": "private, max-age=31536000, immutable" },
      });
    } catch (failure) {
      if (failure instanceof Refused && failure.error.code === "not-found")
        return new Response("There is no such picture.", { status: 404 });
      throw failure;
    }
  };
