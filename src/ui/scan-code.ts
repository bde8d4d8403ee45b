/** As much of a browser's reader of codes as is used here (W3C Shape Detection). */
type Reader = { detect: (from: HTMLVideoElement) => Promise<{ rawValue: string }[]> };

/** Looked at so often, ms. */
const LOOK_MS = 250;

/** Whether there may be a camera to read bar codes and squares with. */
export const canScan = (): boolean =>
  typeof navigator !== "undefined" && navigator.mediaDevices !== undefined;

/** The browser's own reader, or, where it has none that works, one that is shipped with the program. */
async function codeReader(): Promise<Reader> {
  const own = (
    globalThis as { BarcodeDetector?: { new (): Reader; getSupportedFormats(): Promise<string[]> } }
  ).BarcodeDetector;
  if (own && (await own.getSupportedFormats()).includes("qr_code")) return new own();
  const { BarcodeDetector, prepareZXingModule } = await import("barcode-detector/ponyfill");
  const file = new URL("zxing-wasm/reader/zxing_reader.wasm", import.meta.url).href;
  prepareZXingModule({ overrides: { locateFile: () => file } });
  return new BarcodeDetector();
}

/** The first code that the camera sees; null where there is no camera, or it may not be used. The camera is let go in any case. */
export async function scanCode(screen: HTMLVideoElement, stop: AbortSignal): Promise<string | null> {
  let stream: MediaStream | null = null;
  try {
    stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: "environment" } });
    screen.srcObject = stream;
    await screen.play();
    const reader = await codeReader();
    while (!stop.aborted) {
      const [found] = await reader.detect(screen);
      if (found) return found.rawValue;
      await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
    }
    return null;
  } catch {
    return null;
  } finally {
    for (const track of stream?.getTracks() ?? []) track.stop();
  }
}
