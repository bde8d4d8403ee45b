import type { ActResult } from "./act";
import { callAct } from "./call-act";
import { savePicture, type AddedPicture } from "./pictures";

/** Sent no larger than this: enough to trace by, and quick on a phone's network. */
const LONGEST_PX = 2000;
const QUALITY = 0.85;

/** A canvas as base64: where something of it is clear, as WebP, which keeps that; a browser that writes none gets white beneath. */
function encoded(canvas: HTMLCanvasElement, clear: boolean): string {
  const webp = clear ? canvas.toDataURL("image/webp", QUALITY) : "";
  if (webp.startsWith("data:image/webp")) return webp;
  const drawing = canvas.getContext("2d");
  if (drawing) {
    drawing.globalCompositeOperation = "destination-over";
    drawing.fillStyle = "#ffffff";
    drawing.fillRect(0, 0, canvas.width, canvas.height);
  }
  return canvas.toDataURL("image/jpeg", QUALITY);
}

/** A photo, or what was drawn here, made smaller and then kept by the server. */
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
  return callAct(savePicture, { image: encoded(canvas, file.type === "image/png").split(",")[1] ?? "" });
}
