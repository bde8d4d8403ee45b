/** What is wrong with a form and stands beneath none of its fields. */
export function FormProblem({ words }: { words: string | null }) {
  return words === null ? null : (
    <p role="alert" className="border-l-2 border-danger text-danger pl-2">
      {words}
    </p>
  );
}
