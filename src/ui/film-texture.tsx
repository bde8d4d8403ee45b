/** How colours are told apart without colour: metallic by slanted glints, clear by thin hatching, tint by dots. */
export function FilmTexture({ id, look }: { id: string; look: "opaque" | "metallic" | "tint" | "clear" }) {
  if (look === "metallic") {
    return (
      <pattern id={id} width="18" height="18" patternUnits="userSpaceOnUse" patternTransform="rotate(22)">
        <rect width="7" height="18" fill="#fff" opacity="0.16" />
      </pattern>
    );
  }
  if (look === "clear") {
    return (
      <pattern id={id} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="5" stroke="#000" strokeWidth="0.8" opacity="0.16" />
      </pattern>
    );
  }
  if (look === "tint") {
    return (
      <pattern id={id} width="7" height="7" patternUnits="userSpaceOnUse">
        <circle cx="2" cy="2" r="1" fill="#fff" opacity="0.4" />
      </pattern>
    );
  }
  return <pattern id={id} width="1" height="1" patternUnits="userSpaceOnUse" />;
}
