import { sheetResponse } from "../sheet-response";

export const GET = sheetResponse("client.pdf");
