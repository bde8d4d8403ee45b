import { Op } from "sequelize";
import { BACK_FOR_DAYS, type Removed } from "@/core/shop/removed";

/** Rows that were deleted so lately that they can be brought back. */
export const removedLately = () => ({
  removedAt: { [Op.gt]: new Date(Date.now() - BACK_FOR_DAYS * 86_400_000) },
});

export const asRemoved = (rows: readonly { id: string; name: string; removedAt: Date | null }[]): Removed[] =>
  rows.flatMap(({ id, name, removedAt }) =>
    removedAt ? [{ id, name, removedAt: removedAt.toISOString() }] : [],
  );
