import { crc32 } from "node:zlib";
import { fromBuffer, open, type Entry, type ZipFile } from "yauzl";
import { Refused } from "../refused";

/** More than these no shop has; a file that claims them is none of ours. */
const MOST_ENTRIES = 200_000;
const MOST_TEXT = 64 * 1024 * 1024;
const MOST_PICTURE = 8 * 1024 * 1024;
const MOST_ALL = 8 * 1024 ** 3;

export const unreadable = (why: string) =>
  new Refused({ code: "invalid", message: `This file cannot be read: ${why}`, field: "file" });

const WORDS = "it is no zip, or it was cut off on its way.";

/** The files of a zip, each read when it is asked for, and found to be what was put in. */
export type OpenZip = {
  names: string[];
  bytes: (name: string) => Promise<Buffer>;
  json: (name: string) => Promise<string>;
  close: () => void;
};

/**
 * Opens a zip that came from anywhere.
 * @throws Refused in words, whatever is wrong with it
 */
export async function openZip(from: string | Buffer): Promise<OpenZip> {
  const zip = await new Promise<ZipFile>((resolve, reject) => {
    const options = { lazyEntries: true, autoClose: false, strictFileNames: true, validateEntrySizes: true };
    const done = (failure: Error | null, opened: ZipFile) =>
      failure ? reject(unreadable(WORDS)) : resolve(opened);
    if (typeof from === "string") open(from, options, done);
    else fromBuffer(from, options, done);
  });
  try {
    const entries = await entriesOf(zip);
    const bytes = (name: string) => {
      const entry = entries.get(name);
      if (!entry) throw unreadable(`${name} is missing.`);
      return bytesOf(zip, entry);
    };
    return {
      names: [...entries.keys()],
      bytes,
      json: async (name) => new TextDecoder("utf-8", { fatal: false }).decode(await bytes(name)),
      close: () => zip.close(),
    };
  } catch (failure) {
    zip.close();
    throw failure;
  }
}

function entriesOf(zip: ZipFile): Promise<Map<string, Entry>> {
  const entries = new Map<string, Entry>();
  let all = 0;
  return new Promise((resolve, reject) => {
    zip.on("error", () => reject(unreadable(WORDS)));
    zip.on("end", () => resolve(entries));
    zip.on("entry", (entry: Entry) => {
      const { fileName, uncompressedSize } = entry;
      all += uncompressedSize;
      const most = fileName.endsWith(".webp") ? MOST_PICTURE : MOST_TEXT;
      if (uncompressedSize > most) return reject(unreadable(`${fileName} is larger than it may be.`));
      if (entries.size >= MOST_ENTRIES || all > MOST_ALL)
        return reject(unreadable("it is larger than any shop."));
      if (entries.has(fileName)) return reject(unreadable(`${fileName} is in it twice.`));
      if (!entry.canDecodeFileData())
        return reject(unreadable(`${fileName} is locked or packed in a strange way.`));
      entries.set(fileName, entry);
      zip.readEntry();
    });
    zip.readEntry();
  });
}

function bytesOf(zip: ZipFile, entry: Entry): Promise<Buffer> {
  const broken = () => unreadable(`${entry.fileName} is damaged.`);
  return new Promise((resolve, reject) => {
    zip.openReadStream(entry, (failure, stream) => {
      if (failure) return reject(broken());
      const chunks: Buffer[] = [];
      stream.on("error", () => reject(broken()));
      stream.on("data", (chunk: Buffer) => chunks.push(chunk));
      stream.on("end", () => {
        const bytes = Buffer.concat(chunks);
        if (crc32(bytes) !== entry.crc32) return reject(broken());
        resolve(bytes);
      });
    });
  });
}
