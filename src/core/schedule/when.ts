import { FILM_STATES, STATE_WORDS, type FilmState } from "../cure/film-states";
import { PASS } from "../passes/facts";
import { clockText, type ClockStyle } from "../units/clock";
import { durationWords } from "../units/duration";
import { parseQuantity } from "../units/parse-quantity";
import type { Coat, NotBefore } from "./coat";
import { MOST_ROUNDS, MOST_SECTIONS, type Pass, type Repeat } from "./pass";

/** When something begins, how long it takes and how often it comes, as it is said. Minutes; what is not said is absent. */
export type When = {
  /** So long after mixing. */
  mixedMin?: number;
  /** So long after what comes before it, or after a pass by its id. */
  afterMin?: number;
  after?: string;
  /** Not before this time of a day. */
  atMinute?: number;
  lastsMin?: number;
  repeat?: Repeat;
  sections?: number;
};

/** What passes are called where one waits for another. */
export type Named = { id: string; words: string };
/** By what they are before a comma; of two of a kind the second is "Alcohol 2". */
export const namedPasses = (passes: readonly Pass[]): Named[] =>
  passes.map(({ id, kind }, index) => {
    const words = PASS[kind].words.replace(/,.*/, "");
    const before = passes.slice(0, index).filter((other) => other.kind === kind).length;
    return { id, words: before > 0 ? `${words} ${before + 1}` : words };
  });

/** A pass by its name, or by how its name begins; "the last" is the last one that it fits. */
function passCalled(name: string, passes: readonly Named[]): Named | undefined {
  const said = name.replace(/^(the )?(last )?(pass of )?/, "");
  const fitting = passes.filter(({ words }) => words.toLowerCase().startsWith(said));
  return /^(the )?last /.test(name)
    ? fitting.at(-1)
    : (fitting.find(({ words }) => words.toLowerCase() === said) ?? fitting[0]);
}

export type ReadWhen = { ok: true; when: When } | { ok: false; message: string };

/** The longest that anything waits or takes, min. */
export const MOST_MIN = 10_000;
const LEAST_BETWEEN = 1;

const EXAMPLES = "“5 min after the pass before”, “at 8:00”, “every 30 min until set”, “for 4 h”";

/** What the trade says for a state of the film. */
const UNTIL: readonly (readonly [RegExp, FilmState])[] = [
  [/^(it |they |the drips )?stops?$|^(there are )?no (more )?drips$|^dry to the touch$/i, "set"],
  [/^it holds$|^it (no longer|does not) (run|sag)s?$/i, "gummy"],
];

/** "half an hour", "1 h 30 min", "2 days": minutes, or what is wrong. */
function duration(text: string, least = 0): number | string {
  const said = text
    .trim()
    .replace(/^half an? hour$|^half hour$/i, "30 min")
    .replace(/^an? (quarter of an )?hour$/i, (_, quarter?: string) => (quarter ? "15 min" : "1 h"));
  const read = parseQuantity(said, "minutes", "us", { min: least, max: MOST_MIN });
  return read.ok ? read.value : read.message;
}
/** "8", "8:30", "8 am", "20:15": minute of the day; null where it is no time of day. */
function clock(text: string): number | null {
  const [, hour = "", minute = "0", half = ""] =
    /^(\d{1,2})(?::(\d\d))? ?(am|pm|a\.m\.|p\.m\.|h|o'clock)?$/i.exec(text.trim()) ?? [];
  if (hour === "") return null;
  const twelve = /^[ap]/i.test(half);
  if (Number(minute) > 59 || Number(hour) > (twelve ? 12 : 23) || (twelve && Number(hour) === 0)) return null;
  const hours = twelve ? (Number(hour) % 12) + (/^p/i.test(half) ? 12 : 0) : Number(hour);
  return hours * 60 + Number(minute);
}

function stateSaid(text: string): FilmState | null {
  const said = text.trim().replace(/^it is |^the film is /i, "");
  const known = UNTIL.find(([words]) => words.test(said));
  return (
    known?.[1] ??
    FILM_STATES.find((state) => said.toLowerCase() === STATE_WORDS[state] || said === state) ??
    null
  );
}

/** One clause that was read; a string says what is wrong; null where it is none of its kind. */
type Clause = (text: string, of: { passes: readonly Named[]; openMin: number }) => When | string | null;

const timed = (minutes: number | string, when: (minutes: number) => When): When | string =>
  typeof minutes === "string" ? minutes : when(minutes);

const CLAUSES: readonly Clause[] = [
  (text) => (/^(at once|when (it is|they are) ready)$/i.test(text) ? {} : null),
  (text) => {
    const [, many] = /^(?:in |by )?(\d+) sections?(?: one after the other)?$/i.exec(text) ?? [];
    if (many === undefined) return null;
    const sections = Number(many);
    return sections >= 1 && sections <= MOST_SECTIONS ? { sections } : `At most ${MOST_SECTIONS} sections.`;
  },
  (text) => {
    const [, every, until, times] = /^every (.+?)(?:,? until (.+)|,? (\d+) times)?$/i.exec(text) ?? [];
    if (every === undefined) return null;
    const everyMin = duration(every, LEAST_BETWEEN);
    if (typeof everyMin === "string") return everyMin;
    if (times !== undefined)
      return Number(times) >= 1 && Number(times) <= MOST_ROUNDS
        ? { repeat: { everyMin, times: Number(times) } }
        : `At most ${MOST_ROUNDS} times.`;
    const state = until === undefined ? "set" : stateSaid(until);
    return state
      ? { repeat: { everyMin, until: state } }
      : `Until what? Write until ${FILM_STATES.slice(1)
          .map((known) => STATE_WORDS[known])
          .join(", ")}, or until it stops.`;
  },
  (text) => {
    const [, lasts] = /^(?:for|takes|lasts) (.+)$/i.exec(text) ?? [];
    return lasts === undefined ? null : timed(duration(lasts), (lastsMin) => ({ lastsMin }));
  },
  (text) => {
    const [, mixed] = /^(?:from )?(.+?) (?:after|from|since) (?:the )?mix(?:ing|ed)?$/i.exec(text) ?? [];
    return mixed === undefined ? null : timed(duration(mixed), (mixedMin) => ({ mixedMin }));
  },
  (text, { passes }) => {
    const [, waits, what = ""] = /^(.+?) (?:after|later(?: than)?)(?: (.+))?$/i.exec(text) ?? [];
    if (waits === undefined) return null;
    const name = what.toLowerCase().replace(/^the (last )?/, "");
    if (
      name === "" ||
      /^(pass|coat|film|one)? ?(before|below|last)(?: it)?$|^that$|^pass$|^last pass( below)?$|^last mix$/.test(
        name,
      )
    )
      return timed(duration(waits), (afterMin) => ({
        afterMin,
        ...(/^(last )?pass( below)?$/.test(name) ? { after: "worked" } : {}),
      }));
    const pass = passCalled(what.toLowerCase(), passes);
    return pass
      ? timed(duration(waits), (afterMin) => ({ afterMin, after: pass.id }))
      : `There is no pass “${what.slice(0, 40)}” here.`;
  },
  (text) => {
    const [, waits] = /^(?:wait|flash off)(?: for)? (.+)$/i.exec(text) ?? [];
    return waits === undefined ? null : timed(duration(waits), (afterMin) => ({ afterMin }));
  },
  (text, { openMin }) => {
    const said = text.replace(
      /^(?:on )?(?:the )?next (?:day|morning)(?: at)?|^tomorrow(?: at)?|^in the morning(?: at)?/i,
      "morning",
    );
    if (said === "morning") return { atMinute: openMin };
    const [, begins, time = ""] = /^(morning|not before|from|at)? ?(.+)$/i.exec(said) ?? [];
    const atMinute = clock(time);
    const isTime = begins !== undefined && !/^from$/i.test(begins) ? true : /[:a-z]/i.test(time);
    return atMinute !== null && isTime ? { atMinute } : null;
  },
  (text) => {
    const [, from] = /^from (.+)$/i.exec(text) ?? [];
    return from === undefined ? null : timed(duration(from), (mixedMin) => ({ mixedMin }));
  },
];

/**
 * Reads "5 min after the pass before, every 30 min until set, for 4 h", "next morning at 8", "in 3 sections".
 * @param passes those that can be waited for, by their words
 * @param openMin when the shop opens: that is "in the morning"
 */
export function readWhen(text: string, of: { passes: readonly Named[]; openMin: number }): ReadWhen {
  const when: When = {};
  for (const clause of text.split(/\s*[,;]\s*(?!until|\d+ times)|\s+then\s+/i).map((part) => part.trim())) {
    if (clause === "") continue;
    if (clause.length > 80) return { ok: false, message: "That is too long." };
    let read: When | string | null = null;
    for (const reader of CLAUSES) {
      read = reader(clause, of);
      if (read !== null) break;
    }
    if (read === null)
      return { ok: false, message: `“${clause}” cannot be read. Write for example ${EXAMPLES}.` };
    if (typeof read === "string") return { ok: false, message: read };
    const twice = (Object.keys(read) as (keyof When)[]).some((key) => when[key] !== undefined);
    if (twice) return { ok: false, message: `“${clause}” says a second time what was said before.` };
    Object.assign(when, read);
  }
  return { ok: true, when };
}

/** The same as it is said; empty where nothing is. */
export function whenWords(
  { mixedMin, afterMin, after, atMinute, lastsMin, repeat, sections }: When,
  passes: readonly Named[],
  before: string,
  style: ClockStyle = "24h",
): string {
  const waited = passes.find(({ id }) => id === after)?.words;
  return [
    mixedMin === undefined ? "" : `${durationWords(mixedMin)} after mixing`,
    afterMin === undefined
      ? ""
      : `${durationWords(afterMin)} after ${after === "worked" ? "the last pass" : (waited ?? before)}`,
    atMinute === undefined ? "" : `at ${clockText(atMinute, style)}`,
    repeat === undefined
      ? ""
      : "until" in repeat
        ? `every ${durationWords(repeat.everyMin)} until ${STATE_WORDS[repeat.until]}`
        : `every ${durationWords(repeat.everyMin)} ${repeat.times} times`,
    lastsMin === undefined ? "" : `for ${durationWords(lastsMin)}`,
    sections === undefined ? "" : `in ${sections} sections`,
  ]
    .filter(Boolean)
    .join(", ");
}

export const BEFORE_WORDS = { pass: "the pass before", coat: "the coat below" };

/** When a pass is. */
export const whenOfPass = ({
  fromMin,
  afterMin,
  afterPassId,
  atMinute,
  lastsMin,
  repeat,
  sections,
}: Pass): When => ({
  ...(fromMin === null ? {} : { mixedMin: fromMin }),
  ...(afterMin === null || afterMin === undefined ? {} : { afterMin }),
  ...(afterPassId === undefined ? {} : { after: afterPassId }),
  ...(atMinute === undefined ? {} : { atMinute }),
  ...(lastsMin === undefined ? {} : { lastsMin }),
  ...(repeat === undefined ? {} : { repeat }),
  ...(sections === undefined ? {} : { sections }),
});

/** A pass at another time; what is not said is taken away. */
export function passAt(pass: Pass, { mixedMin, afterMin, after, ...rest }: When): Pass {
  const {
    afterPassId: _id,
    atMinute: _at,
    lastsMin: _lasts,
    repeat: _repeat,
    sections: _sections,
    ...kept
  } = pass;
  return {
    ...kept,
    fromMin: mixedMin ?? null,
    afterMin: afterMin ?? null,
    ...(after === undefined || after === "worked" ? {} : { afterPassId: after }),
    ...rest,
  };
}

/** What a coat waits for beside the film below. */
export const whenOfCoat = ({ notBefore }: Pick<Coat, "notBefore">): When => ({
  ...(notBefore?.afterMin === undefined ? {} : { afterMin: notBefore.afterMin }),
  ...(notBefore?.after === "worked" ? { after: "worked" } : {}),
  ...(notBefore?.atMinute === undefined ? {} : { atMinute: notBefore.atMinute }),
});

/** What a coat can wait for, of what was said; null where it says more than that. */
export function notBeforeOf({ afterMin, after, atMinute, ...more }: When): NotBefore | null {
  if (Object.keys(more).length > 0) return null;
  return {
    ...(afterMin === undefined ? {} : { afterMin }),
    ...(after === "worked" ? { after } : {}),
    ...(atMinute === undefined ? {} : { atMinute }),
  };
}

/** When a pass is, in words, among those of its coat. */
export const passWhenWords = (pass: Pass, passes: readonly Pass[], style?: ClockStyle): string =>
  whenWords(whenOfPass(pass), namedPasses(passes), BEFORE_WORDS.pass, style);

/** What a coat waits for, in words. */
export const coatWhenWords = (coat: Pick<Coat, "notBefore">, style?: ClockStyle): string =>
  whenWords(whenOfCoat(coat), [], BEFORE_WORDS.coat, style);
