import { shelfResponse } from "@/features/colours/export-shelf";
import { shelfCsv } from "@/features/colours/palette";

export const GET = (): Promise<Response> => shelfResponse("shelf.csv", "text/csv", shelfCsv);
