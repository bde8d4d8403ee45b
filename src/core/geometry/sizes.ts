/** Names of what is a number in a shape, in each of its kinds. */
export type SizeName<Of> = Of extends unknown
  ? { [Name in keyof Of]-?: Required<Of>[Name] extends number ? Name & string : never }[keyof Of]
  : never;

/** Sizes of a shape by their names; those that its kind does not have are missing. */
export type Sizes<Of> = Partial<Record<SizeName<Of>, number>>;

/** The typed sizes of a shape, whatever its kind. */
export const sizesOf = <Of extends object>(shape: Of): Sizes<Of> =>
  Object.fromEntries(Object.entries(shape).filter(([, value]) => typeof value === "number")) as Sizes<Of>;

/** A shape with some of its sizes changed. */
export const withSizes = <Of extends object>(shape: Of, sizes: Sizes<Of>): Of => ({ ...shape, ...sizes });
