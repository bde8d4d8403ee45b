/** Hands a file to the browser to be saved. */
export function saveFile(name: string, type: string, content: string | Blob): void {
  const address = URL.createObjectURL(typeof content === "string" ? new Blob([content], { type }) : content);
  const link = document.createElement("a");
  link.href = address;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}

/** Fetches a file that the server makes; the page stays, since the answer is a download. */
export const fetchFile = (href: string): void => window.location.assign(href);
