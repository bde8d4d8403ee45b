import type { Transaction } from "sequelize";
import type { PartName } from "@/contracts/shop-file";
import { jsonOf, type Database } from "../database";
import type { Selection } from "./selection";

export type Json = Record<string, unknown> | string;
export const iso = (at: Date | null | undefined): string | null => at?.toISOString() ?? null;
export const read = (json: Json): object => jsonOf(json) as object;
export const perhaps = (json: Json | null | undefined): unknown => (json ? jsonOf(json) : null);
export type OutOfRows = { part: PartName; name: string; value: unknown };
export type From = { db: Database; shopId: string; transaction: Transaction; selection: Selection };

/** The moments of a row as they stand in the file. */
export const isoDates = ({
  removedAt,
  createdAt,
  updatedAt,
}: {
  removedAt: Date | null;
  createdAt: Date;
  updatedAt: Date;
}) => ({ removedAt: iso(removedAt), createdAt: iso(createdAt), updatedAt: iso(updatedAt) });

/** The shop's rows, of these ids or all, always in one order. */
export const rowsOf = (
  { shopId, transaction }: Pick<From, "shopId" | "transaction">,
  ids?: readonly string[],
) => ({
  where: { shopId, ...(ids && { id: [...ids] }) },
  order: [["id", "ASC"]] as [string, string][],
  transaction,
});

export const one = (part: PartName, value: unknown): OutOfRows => ({ part, name: part, value });
export const each = (part: PartName, id: string, value: unknown): OutOfRows => ({
  part,
  name: part.replace("*", id),
  value,
});
