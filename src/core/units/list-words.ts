/** "black, silver and bronze". */
export const listWords = (names: readonly string[]): string =>
  names.length > 1 ? `${names.slice(0, -1).join(", ")} and ${names.at(-1)}` : (names[0] ?? "");
