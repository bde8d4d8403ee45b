import { sheetResponse } from "../sheet-response";

export const GET = sheetResponse("zones.pdf");
