import { streamFile } from "@/app/stream-file";

type Context = { params: Promise<{ cardId: string }> };

/** One colour with what it is made of, for a colleague. */
export const GET = (_request: Request, { params }: Context): Promise<Response> =>
  streamFile(async () => ({ holds: "colour", id: (await params).cardId }));
