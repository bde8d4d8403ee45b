import { streamFile } from "@/app/stream-file";

type Context = { params: Promise<{ jobId: string }> };

/** One job with what it is made of, for a colleague. */
export const GET = (_request: Request, { params }: Context): Promise<Response> =>
  streamFile(async () => ({ holds: "job", id: (await params).jobId }));
