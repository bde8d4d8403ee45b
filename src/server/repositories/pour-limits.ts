/** Pours that are looked at together, at most; how many more there are is told. */
export const MOST_LIVE = 40;
/** A pour of a hundred acts has a few hundred entries. */
export const MOST_ENTRIES = 5000;
