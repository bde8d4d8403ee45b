/** A door in a drawing of a floor: a gap in its side, with a leaf that stands open. */
export function DoorMark({ x, y }: { x: number; y: number }) {
  return (
    <g transform={`translate(${x} ${y})`}>
      <circle r="9" fill="var(--color-ground)" stroke="var(--color-ink)" strokeWidth="1.2" />
      <path
        d="M-4 4.5V-5h6v9.5M2 -3.5l3 -1.5v9.5h-3"
        fill="none"
        stroke="var(--color-ink)"
        strokeWidth="1.1"
      />
    </g>
  );
}
