/** Something that was deleted and can be brought back. */
export type Removed = { id: string; name: string; removedAt: string };

/** For so many days what was deleted can be brought back. */
export const BACK_FOR_DAYS = 30;
