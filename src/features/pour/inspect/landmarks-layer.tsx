import type { Landmark } from "@/core/inspect/photo/anchors";
import type { PictureFrame } from "@/pictures/picture-frame";

/** The places that a photo of the piece is set straight by. */
export function LandmarksLayer({
  landmarks,
  frame,
}: {
  landmarks: readonly Landmark[];
  frame: PictureFrame;
}) {
  return (
    <g fill="none">
      {landmarks.map((landmark) => {
        const { x, y } = frame.at(landmark);
        return (
          <g key={landmark.name} transform={`translate(${x.toFixed(1)} ${y.toFixed(1)})`}>
            <circle r="11" stroke="var(--color-paper)" strokeWidth="5" />
            <circle r="11" stroke="var(--color-signal)" strokeWidth="2.5" />
          </g>
        );
      })}
    </g>
  );
}
