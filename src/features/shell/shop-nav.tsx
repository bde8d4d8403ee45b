import Link from "next/link";

const PLACES = [
  ["/bench", "Bench"],
  ["/jobs", "Jobs"],
  ["/cards", "Resins"],
  ["/recipes", "Recipes"],
  ["/colours", "Colours"],
  ["/shelf", "Shelf"],
  ["/learn", "Learn"],
] as const;

/** The word, and the way home. */
export function Wordmark() {
  return (
    <Link prefetch={false} href="/bench" className="heading text-lg" style={{ fontStretch: "118%" }}>
      Gaugebeam
    </Link>
  );
}

/** The places of the shop. */
export function ShopNav() {
  return (
    <nav aria-label="Shop" className="flex gap-x-5 gap-y-1 max-sm:gap-x-3 text-sm flex-wrap">
      {PLACES.map(([href, words]) => (
        <Link key={href} prefetch={false} href={href} className="hover:underline underline-offset-4">
          {words}
        </Link>
      ))}
    </nav>
  );
}

export const HEADER_LOOK =
  "off-paper border-b border-line px-7 min-h-12 flex items-center gap-6 max-lg:flex-wrap max-lg:gap-x-5 max-lg:gap-y-1 max-lg:py-1.5 max-md:px-4";

/** The head of a page that knows nobody, such as one that broke. */
export function PlainHeader() {
  return (
    <header className={HEADER_LOOK}>
      <Wordmark />
      <span className="flex-1" />
      <ShopNav />
    </header>
  );
}
