import { createStore } from "zustand";

/** Hands a file to the browser to be saved. */
export function saveFile(name: string, type: string, content: string | Blob): void {
  const address = URL.createObjectURL(typeof content === "string" ? new Blob([content], { type }) : content);
  const link = document.createElement("a");
  link.href = address;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}

/** A file that the server makes: on its way, or why it did not come. */
export type FileComing = { href: string; trouble: string | null; again: () => void };

/** The files that are on their way, or did not come; by address. */
export const filesComing = createStore<readonly FileComing[]>(() => []);

/** A file that did not come is no longer spoken of. */
export const forgetFile = (href: string): void =>
  filesComing.setState((files) => files.filter((file) => file.href !== href), true);

/** The name that the server gave a file, from its content-disposition; the last part of its address if none. */
export function nameOfFile(disposition: string | null, href: string): string {
  const long = /filename\*=UTF-8''([^;]+)/.exec(disposition ?? "")?.[1];
  const short = /filename="([^"]+)"/.exec(disposition ?? "")?.[1];
  return long ? decodeURIComponent(long) : (short ?? href.split("?")[0]!.split("/").at(-1)!);
}

/** Asks for the file and saves it; what is wrong in words, or null. */
async function askFor(href: string): Promise<string | null> {
  try {
    const response = await fetch(href, { credentials: "same-origin" });
    if (!response.ok) {
      // What is refused is said in words; a server in trouble answers with a page.
      const said = response.status < 500 ? (await response.text()).slice(0, 300) : "";
      return said || "The server could not make it.";
    }
    const name = nameOfFile(response.headers.get("content-disposition"), href);
    saveFile(name, response.headers.get("content-type") ?? "", await response.blob());
    return null;
  } catch {
    return "The server does not answer.";
  }
}

/**
 * Fetches a file that the server makes and saves it. The page stays as it is, also when the file does not come.
 * `first` is done before, and says in words why the file cannot be asked for, or null.
 */
export async function fetchFile(
  href: string,
  first: () => Promise<string | null> = () => Promise.resolve(null),
): Promise<void> {
  const put = (trouble: string | null) =>
    filesComing.setState(
      (files) => [
        ...files.filter((file) => file.href !== href),
        { href, trouble, again: () => void fetchFile(href, first) },
      ],
      true,
    );
  if (filesComing.getState().some((file) => file.href === href && file.trouble === null)) return;
  put(null);
  const trouble = (await first()) ?? (await askFor(href));
  if (trouble) put(trouble);
  else forgetFile(href);
}
