import type { ActResult } from "@/contracts/act";
import type { CheckedFile } from "@/contracts/shop-file";

/** Sends a file to the server, which reads it through; how far it is, 0 to 1, and it can be called off. Never throws. */
export function sendFile(
  file: File,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<ActResult<CheckedFile>> {
  return new Promise((resolve) => {
    const failed = (message: string) => resolve({ ok: false, error: { code: "unreachable", message } });
    // fetch says nothing of how far a file is.
    const request = new XMLHttpRequest();
    request.open("POST", "/api/shop-file");
    request.setRequestHeader("Content-Type", "application/zip");
    request.upload.onprogress = ({ loaded, total }) => onProgress(total > 0 ? loaded / total : 0);
    request.onload = () => {
      try {
        resolve(JSON.parse(request.responseText) as ActResult<CheckedFile>);
      } catch {
        failed("The server could not read the file. Try it again.");
      }
    };
    request.onerror = () => failed("The server does not answer. The file is where it was: choose it again.");
    request.onabort = () => failed("Called off.");
    signal.addEventListener("abort", () => request.abort());
    request.send(file);
  });
}
