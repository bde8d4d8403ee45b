import type { ReactNode } from "react";

/** The page before the shop: the word, a ruler, a form. */
export function Door({ title, words, children }: { title: string; words: string; children: ReactNode }) {
  return (
    <main className="min-h-dvh grid place-items-center px-6 py-10">
      <div className="w-full max-w-sm">
        <p className="heading text-3xl" style={{ fontStretch: "120%" }}>
          Gaugebeam
        </p>
        <svg viewBox="0 0 384 20" className="w-full mt-2 mb-8" aria-hidden>
          {Array.from({ length: 49 }, (_, tick) => (
            <line
              key={tick}
              x1={tick * 8}
              x2={tick * 8}
              y1={tick % 8 === 0 ? 0 : tick % 4 === 0 ? 9 : 13}
              y2="19.5"
              stroke="var(--color-ink)"
              opacity={tick % 8 === 0 ? 1 : 0.5}
            />
          ))}
          <line x1="0" x2="384" y1="19.5" y2="19.5" stroke="var(--color-ink)" />
        </svg>
        <h1 className="heading text-xl mb-1">{title}</h1>
        <p className="text-ink-soft mb-6">{words}</p>
        {children}
      </div>
    </main>
  );
}
