/** Hands a file to the browser to be saved. */
export function saveFile(name: string, type: string, content: string | Blob): void {
  const address = URL.createObjectURL(typeof content === "string" ? new Blob([content], { type }) : content);
  const link = document.createElement("a");
  link.href = address;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}
