import { sheetResponse } from "../sheet-response";

export const GET = sheetResponse("batch.json");
