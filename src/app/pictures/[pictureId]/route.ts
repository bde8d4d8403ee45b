import { pictureBytes } from "@/features/job/queries";
import { pictureResponse } from "./picture-response";

export const GET = pictureResponse(pictureBytes);
