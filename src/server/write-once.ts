import { UniqueConstraintError } from "sequelize";

/** Writes a row whose id is the client's: sent twice, even at the same moment, it is one row. */
export async function writeOnce(write: () => Promise<unknown>): Promise<void> {
  try {
    await write();
  } catch (failure) {
    if (!(failure instanceof UniqueConstraintError)) throw failure;
  }
}
