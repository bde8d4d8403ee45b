import type { ActResult } from "./act";
import { callAct } from "./call-act";
import { savePicture, type AddedPicture } from "./pictures";

/** Sent no larger than this: enough to trace by, and quick on a phone's network. */
const LONGEST_PX = 2000;
const QUALITY = 0.85;

/** A photo made smaller here, then kept by the server. */
export async function addPicture(file: File): Promise<ActResult<AddedPicture>> {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file);
  } catch {
    return {
      ok: false,
      error: {
        code: "invalid",
        message: "This browser cannot read that as a picture. Choose a JPEG, PNG or WebP.",
      },
    };
  }
  const scale = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  canvas.getContext("2d")?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  return callAct(savePicture, { image: canvas.toDataURL("image/jpeg", QUALITY).split(",")[1] ?? "" });
}
