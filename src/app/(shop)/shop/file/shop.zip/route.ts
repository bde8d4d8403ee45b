import { streamFile } from "@/app/stream-file";

/** The whole shop as a file. */
export const GET = (): Promise<Response> => streamFile(() => ({ holds: "shop" }));
