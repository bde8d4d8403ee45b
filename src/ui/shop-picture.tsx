/** A picture of the shop, filling its frame; small for lists. */
export function ShopPicture({
  pictureId,
  alt,
  small,
  className,
}: {
  pictureId: string;
  alt: string;
  small?: boolean;
  className?: string;
}) {
  return (
    // eslint-disable-next-line @next/next/no-img-element -- behind the sign-in and made to size already
    <img
      src={`/pictures/${pictureId}${small ? "/small" : ""}`}
      alt={alt}
      className={className ?? "size-full object-cover"}
    />
  );
}
