import { shelfResponse } from "@/features/colours/export-shelf";

export const GET = (): Promise<Response> => shelfResponse("shelf.gpl", "text/plain");
