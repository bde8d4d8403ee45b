import { streamFile } from "@/app/stream-file";

type Context = { params: Promise<{ cardId: string }> };

/** One resin with what it is made of, for a colleague. */
export const GET = (_request: Request, { params }: Context): Promise<Response> =>
  streamFile(async () => ({ holds: "resin", id: (await params).cardId }));
