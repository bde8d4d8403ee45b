import { instrumentResponse } from "../instrument-response";

export const GET = (request: Request): Promise<Response> => instrumentResponse(request, "probe");
