import { shelfResponse } from "@/features/colours/export-shelf";
import { shelfPalette } from "@/features/colours/palette";

export const GET = (): Promise<Response> =>
  shelfResponse("shelf.gpl", "text/plain", (cards) => shelfPalette("Shelf", cards));
