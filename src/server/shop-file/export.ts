import { randomUUID } from "node:crypto";
import { join } from "node:path";
import { Transaction } from "sequelize";
import type { Person } from "@/contracts/people";
import { SHOP_FILE, SHOP_FILE_VERSION, type Manifest } from "@/contracts/shop-file";
import type { Database } from "../database";
import { inTurns } from "../in-turns";
import { filesFolder } from "./files-folder";
import { outOfRows } from "./out-of-rows";
import { readableOf, schemasOfParts, type Unreadable } from "./readable";
import { selectionOf, type Wanted } from "./selection";
import { writeZip } from "./write-zip";

const README = `This is a Gaugebeam file: a shop, or one of its jobs, recipes or cards.

manifest.json     what it is, and in which version of the format
*.json            everything as it is; ids tie the files together. schemas/ says what may stand in each.
pictures/*.webp   the pictures of pictures.json, by their ids
tables/*.csv      log, shelf and money once more, to be read by a spreadsheet; nothing is read back from them
unreadable.json   what the program could not read when this was written, as it was stored

Put it back in Gaugebeam, under Shop, "The shop in a file". Passwords are not in it.
`;

const jsonText = (value: unknown): string => `${JSON.stringify(value, null, 1)}\n`;

/** Tables beside the data, made when all is read. */
export type MakeTables = () => Promise<{ name: string; text: string }[]>;

/**
 * Writes a shop, or one thing of it, to a zip; all of it as it was at one moment.
 * @returns where it is; whoever asked takes it away
 */
export async function exportShopFile(
  db: Database,
  me: Person,
  wanted: Wanted,
  name: string,
  tables: MakeTables,
  now: Date,
): Promise<string> {
  const path = join(await filesFolder(), `${randomUUID()}.out.zip`);
  const { shopId } = me;
  await db.sequelize.transaction(
    { isolationLevel: Transaction.ISOLATION_LEVELS.REPEATABLE_READ },
    async (transaction) => {
      const selection = await selectionOf({ db, shopId, transaction }, wanted);
      const unreadable: Unreadable[] = [];
      await writeZip(path, async (add) => {
        await add("README.txt", README);
        let pictures: string[] = [];
        for await (const out of outOfRows({ db, shopId, transaction, selection })) {
          let value: unknown = null;
          // Others have their turn between one file and the next.
          await inTurns([out], (one) => (value = readableOf(one, (row) => unreadable.push(row))));
          if (value !== null) await add(out.name, jsonText(value));
          if (out.part === "pictures.json") pictures = (value as { id: string }[]).map(({ id }) => id);
        }
        for (const id of pictures) {
          const row = await db.Picture.findByPk(id, { attributes: ["bytes"], transaction });
          if (row) await add(`pictures/${id}.webp`, row.bytes);
        }
        for (const { name: table, text } of await tables()) await add(`tables/${table}`, text);
        for (const [file, schema] of schemasOfParts()) await add(file, jsonText(schema));
        if (unreadable.length > 0) await add("unreadable.json", jsonText(unreadable));
        const manifest: Manifest = {
          file: SHOP_FILE,
          version: SHOP_FILE_VERSION,
          holds: wanted.holds,
          name,
          exportedAt: now.toISOString(),
          unreadable: unreadable.length,
        };
        await add("manifest.json", jsonText(manifest));
      });
    },
  );
  return path;
}
