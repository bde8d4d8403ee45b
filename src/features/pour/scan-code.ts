/** As much of a browser's reader of codes as is used here (W3C Shape Detection). */
type Reader = { detect: (from: HTMLVideoElement) => Promise<{ rawValue: string }[]> };
const readers = () => (globalThis as { BarcodeDetector?: new () => Reader }).BarcodeDetector;

/** Looked at so often, ms. */
const LOOK_MS = 250;

/** Whether this browser reads bar codes and squares by its camera. */
export const canScan = (): boolean =>
  typeof navigator !== "undefined" && readers() !== undefined && navigator.mediaDevices !== undefined;

/** The first code that the camera sees; null where there is no camera, or it may not be used. The camera is let go in any case. */
export async function scanCode(screen: HTMLVideoElement, stop: AbortSignal): Promise<string | null> {
  const Detector = readers();
  if (!Detector) return null;
  let stream: MediaStream | null = null;
  try {
    stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: "environment" } });
    screen.srcObject = stream;
    await screen.play();
    const reader = new Detector();
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
