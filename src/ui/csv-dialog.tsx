"use client";

import { useState } from "react";
import { Button } from "./button";
import { guessColumns, readCsv, type CsvColumn, type CsvTable } from "./csv-table";
import { Dialog } from "./dialog";
import { FileProblems, type FileProblem } from "./file-problems";
import { SelectField } from "./text-field";
import { useFileChooser } from "./use-file-chooser";

const MOST_BYTES = 8_000_000;
const PREVIEWED = 3;

/** The cells of a line by what they are; "" where the file has no such column. */
export type CsvCells<Key extends string> = Readonly<Record<Key, string>>;
/** What a line says, or why it cannot be read, in the user's words. */
export type CsvLine<Value> = { value: Value } | { problem: string } | null;

/** A table from a file: which column is which is guessed and can be chosen, what cannot be read is told by its line before anything is taken over. */
export function CsvDialog<Key extends string, Value>({
  title,
  hint,
  columns,
  read,
  told,
  take,
  onClose,
}: {
  title: string;
  hint: string;
  columns: readonly CsvColumn<Key>[];
  /** Reads one line; null for one that is to be passed over. */
  read: (cells: CsvCells<Key>, headOf: (key: Key) => string) => CsvLine<Value>;
  /** "14 readings". */
  told: (values: readonly Value[]) => string;
  /** Takes them over; why it could not in words, or null. */
  take: (values: readonly Value[]) => Promise<string | null>;
  onClose: () => void;
}) {
  const [table, setTable] = useState<CsvTable | null>(null);
  const [chosen, setChosen] = useState<Partial<Record<Key, number>>>({});
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const chooser = useFileChooser({
    label: `${title}, the file`,
    accept: ".csv,.tsv,.txt,text/csv,text/plain",
    onFile: async (file) => {
      if (file.size > MOST_BYTES)
        return setTrouble("That file is larger than a table of this kind. Cut it shorter.");
      const found = readCsv(await file.text());
      setTrouble(found.rows.length === 0 ? "There is nothing in that file." : null);
      setTable(found);
      setChosen(guessColumns(found.head, columns));
    },
  });
  const missing = columns.filter(({ key, needed }) => needed && chosen[key] === undefined);
  const headOf = (key: Key) => table?.head[chosen[key] ?? -1] ?? "";
  const lines = (table?.rows ?? []).map(({ line, cells }) => {
    const byKey = Object.fromEntries(
      columns.map(({ key }) => [key, cells[chosen[key] ?? -1] ?? ""]),
    ) as CsvCells<Key>;
    return { line, said: missing.length > 0 ? null : read(byKey, headOf) };
  });
  const values = lines.flatMap(({ said }) => (said && "value" in said ? [said.value] : []));
  const problems = lines.flatMap(({ line, said }): FileProblem[] =>
    said && "problem" in said ? [{ line, message: said.problem }] : [],
  );
  return (
    <Dialog open onClose={onClose} title={title} wide>
      <p className="text-ink-soft mb-4 max-w-prose">{hint}</p>
      {chooser.input}
      {table && table.rows.length > 0 && (
        <>
          <div className="grid grid-cols-3 max-sm:grid-cols-1 gap-x-5 gap-y-3 mb-4">
            {columns.map(({ key, words, needed }) => (
              <SelectField
                key={key}
                label={words}
                value={chosen[key] ?? ""}
                error={needed && chosen[key] === undefined ? "Say which column." : null}
                onChange={({ target }) =>
                  setChosen((before) => {
                    const { [key]: _old, ...rest } = before;
                    return (
                      target.value === "" ? rest : { ...rest, [key]: Number(target.value) }
                    ) as typeof before;
                  })
                }
              >
                <option value="">not in it</option>
                {table.head.map((name, n) => (
                  <option key={n} value={n}>
                    {name}
                    {table.rows[0]?.cells[n] ? `: ${table.rows[0].cells[n].slice(0, 24)}` : ""}
                  </option>
                ))}
              </SelectField>
            ))}
          </div>
          <table aria-label="The first lines" className="w-full text-sm mb-4">
            <tbody>
              {table.rows.slice(0, PREVIEWED).map(({ line, cells }) => (
                <tr key={line} className="border-t border-line">
                  <th scope="row" className="label font-normal text-left pr-3">
                    {line}
                  </th>
                  {table.head.map((_, n) => (
                    <td key={n} className="pr-3 py-0.5 truncate max-w-40">
                      {cells[n]}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
          <p role="status" className="mb-3">
            {missing.length > 0
              ? "Some column is missing yet."
              : `${told(values)} of ${table.rows.length} lines.`}
          </p>
        </>
      )}
      <FileProblems problems={problems} />
      {trouble && (
        <p role="alert" className="text-danger border-l-2 border-danger pl-2 mt-3">
          {trouble}
        </p>
      )}
      <div className="flex gap-4 mt-5">
        <Button
          weight={values.length > 0 ? "plain" : "primary"}
          className="min-h-11"
          onClick={chooser.choose}
        >
          {table ? "Another file" : "Choose the file"}
        </Button>
        {values.length > 0 && (
          <Button
            weight="primary"
            className="min-h-11"
            disabled={busy}
            onClick={async () => {
              setBusy(true);
              const why = await take(values);
              setBusy(false);
              if (why === null) onClose();
              else setTrouble(why);
            }}
          >
            {busy ? "Taking it over …" : "Take them over"}
          </Button>
        )}
      </div>
    </Dialog>
  );
}
