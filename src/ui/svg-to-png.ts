/**
 * Draws an SVG on white as a PNG.
 * @param longPx length of its longer side; @param ratio width to height of what is drawn, for the case that the SVG says none
 */
export async function svgToPng(svg: string, longPx: number, ratio: number): Promise<Blob> {
  const address = URL.createObjectURL(new Blob([svg], { type: "image/svg+xml" }));
  try {
    const image = new Image();
    image.src = address;
    await image.decode();
    const shape = image.naturalWidth > 0 ? image.naturalWidth / image.naturalHeight : ratio;
    const canvas = document.createElement("canvas");
    [canvas.width, canvas.height] = (shape >= 1 ? [longPx, longPx / shape] : [longPx * shape, longPx]).map(
      Math.round,
    ) as [number, number];
    const context = canvas.getContext("2d");
    if (!context) throw new Error("This browser has no canvas to draw on");
    context.fillStyle = "#ffffff";
    context.fillRect(0, 0, canvas.width, canvas.height);
    context.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await new Promise<Blob>((resolve, reject) =>
      canvas.toBlob(
        (blob) => (blob ? resolve(blob) : reject(new Error("The picture is too large"))),
        "image/png",
      ),
    );
  } finally {
    URL.revokeObjectURL(address);
  }
}
