import { z } from "zod";
import { act } from "./act";

/** A picture as the browser sends it, made smaller there: base64 of a JPEG, PNG or WebP. */
const LONGEST_BASE64 = 3_600_000;

export type AddedPicture = { pictureId: string; widthPx: number; heightPx: number };

export const savePicture = act<AddedPicture>()(
  "picture.add",
  "person",
  z.object({
    image: z
      .string()
      .min(1, "Choose a picture.")
      .max(LONGEST_BASE64, "The picture is too large. Choose a smaller one.")
      .regex(/^[A-Za-z0-9+/]+=*$/, "That is no picture."),
  }),
);
