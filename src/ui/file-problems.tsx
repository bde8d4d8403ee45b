/** Something wrong in a file, at the line where it stands; null where the file as a whole is meant. */
export type FileProblem = { line: number | null; message: string };

const MOST_SHOWN = 12;

/** What is wrong in a file, line by line. */
export function FileProblems({ problems }: { problems: readonly FileProblem[] }) {
  if (problems.length === 0) return null;
  return (
    <ul role="alert" aria-label="What is wrong in the file" className="border-l-2 border-danger pl-3 text-sm">
      {problems.slice(0, MOST_SHOWN).map(({ line, message }, index) => (
        <li key={index}>
          {line !== null && <span className="figure">line {line}: </span>}
          {message}
        </li>
      ))}
      {problems.length > MOST_SHOWN && (
        <li className="text-ink-soft">and {problems.length - MOST_SHOWN} more</li>
      )}
    </ul>
  );
}
