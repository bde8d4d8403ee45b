import { sheetResponse } from "../sheet-response";

export const GET = sheetResponse("piece.pdf");
