import Link from "next/link";
import { classNames } from "./class-names";

export type Stage = {
  href: string;
  name: string;
  done: boolean;
  /** The pointer or the keyboard comes to it: what takes a while can begin. */
  onApproach?: () => void;
};

const TICKS = 20;

/** On a phone the scale is longer than the screen: the mark where one is comes into view. */
const bringIntoView = (mark: HTMLElement | null) => {
  mark?.scrollIntoView({ inline: "center", block: "nearest" });
};

/** The ruler carries the job: its stages are marks on a scale, the current one underlined in the signal. */
export function Ruler({ stages, current }: { stages: readonly Stage[]; current: string }) {
  return (
    <nav aria-label="Stages of the job" className="off-paper px-7 pt-2 max-md:px-4 max-md:overflow-x-auto">
      <ol className="flex border-b border-ink max-md:w-max">
        {stages.map((stage, index) => {
          const here = stage.name === current;
          return (
            <li
              key={stage.name}
              ref={here ? bringIntoView : undefined}
              className="flex-1 relative max-md:min-w-26"
            >
              <Link
                href={stage.href}
                aria-current={here ? "page" : undefined}
                onPointerEnter={stage.onApproach}
                onFocus={stage.onApproach}
                className={classNames(
                  "block pl-2 pr-3 pb-[26px] pt-0.5 whitespace-nowrap hover:text-ink",
                  here ? "heading text-ink" : "text-ink-soft",
                )}
              >
                {stage.done && !here && (
                  <span aria-label="done" className="inline-block size-[7px] bg-ink mr-1.5 mb-px" />
                )}
                {stage.name}
              </Link>
              <svg
                className="absolute inset-x-0 bottom-0 w-full h-[18px] pointer-events-none"
                viewBox={`0 0 ${TICKS} 18`}
                preserveAspectRatio="none"
                aria-hidden
              >
                {Array.from({ length: TICKS }, (_, tick) => (
                  <line
                    key={tick}
                    x1={tick}
                    x2={tick}
                    y1={tick === 0 ? 1 : tick === TICKS / 2 ? 9 : 13}
                    y2={18}
                    stroke="var(--color-ink)"
                    strokeWidth="1"
                    vectorEffect="non-scaling-stroke"
                    opacity={tick % 10 === 0 ? 1 : 0.45}
                  />
                ))}
              </svg>
              {here && <div aria-hidden className="absolute inset-x-0 bottom-0 h-1 bg-signal" />}
              {index === stages.length - 1 && (
                <div aria-hidden className="absolute right-0 bottom-0 w-px h-[17px] bg-ink" />
              )}
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
