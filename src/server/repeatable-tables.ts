import type { QueryInterface, QueryInterfaceIndexOptions } from "sequelize";

type Column = { Field: string };
type IndexPart = { Key_name: string; Column_name: string; Seq_in_index: number };
type Row = Record<string, unknown>;

/**
 * Tables as migrations change them, where every step looks before it adds: a migration that was cut off between two statements, or that meets
 * tables newer than its own (an older backup was read into them), is simply run again. MariaDB does each statement whole or not at all.
 */
export function repeatableTables(tables: QueryInterface): QueryInterface & {
  rows: (sql: string) => Promise<Row[]>;
  dropIndexOn: (table: string, columns: string[]) => Promise<void>;
} {
  const rows = async (sql: string): Promise<Row[]> => (await tables.sequelize.query(sql))[0] as Row[];
  const hasColumn = async (table: string, column: string) =>
    ((await rows(`SHOW COLUMNS FROM \`${table}\``)) as Column[]).some(({ Field }) => Field === column);
  const indexesOn = async (table: string, columns: readonly string[]): Promise<string[]> => {
    const parts = (await rows(`SHOW INDEX FROM \`${table}\``)) as IndexPart[];
    const names = [...new Set(parts.map(({ Key_name }) => Key_name))].filter((name) => name !== "PRIMARY");
    return names.filter((name) => {
      const ofIndex = parts.filter(({ Key_name }) => Key_name === name);
      ofIndex.sort((a, b) => a.Seq_in_index - b.Seq_in_index);
      return ofIndex.map(({ Column_name }) => Column_name).join() === columns.join();
    });
  };
  return Object.assign(Object.create(tables) as QueryInterface, {
    rows,
    async createTable(...[table, columns]: Parameters<QueryInterface["createTable"]>) {
      if ((await rows(`SHOW TABLES LIKE '${String(table)}'`)).length === 0)
        await tables.createTable(table, columns);
    },
    async addColumn(...[table, column, attribute]: Parameters<QueryInterface["addColumn"]>) {
      if (!(await hasColumn(String(table), column))) await tables.addColumn(table, column, attribute);
    },
    async addIndex(table: string, columns: string[], options?: QueryInterfaceIndexOptions) {
      if ((await indexesOn(table, columns)).length === 0) await tables.addIndex(table, columns, options);
    },
    async dropIndexOn(table: string, columns: string[]) {
      for (const name of await indexesOn(table, columns)) await tables.removeIndex(table, name);
    },
  });
}

export type RepeatableTables = ReturnType<typeof repeatableTables>;
