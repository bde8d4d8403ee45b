"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { callAct } from "@/contracts/call-act";
import { setNightly, type Nightly } from "@/contracts/shop-file";
import { Button } from "@/ui/button";
import { useClockWords } from "@/ui/shop-clock";
import { TextField } from "@/ui/text-field";

const USUAL = "02:30";

/** Whether the server makes a backup each night, and when. */
export function NightlyForm({ nightly: { at, last, kept } }: { nightly: Nightly }) {
  const router = useRouter();
  const { dateText } = useClockWords();
  const [hour, setHour] = useState(at ?? USUAL);
  const [problem, setProblem] = useState<string | null>(null);
  const set = async (wanted: string | null) => {
    const result = await callAct(setNightly, { at: wanted });
    setProblem(result.ok ? null : result.error.message);
    if (result.ok) router.refresh();
  };
  return (
    <section aria-label="Nightly backup" className="mt-9 border-t border-line pt-4">
      <h2 className="heading text-xl">A backup each night</h2>
      <p className="max-w-prose mb-3">
        {at === null ? "None is made. " : `The server makes one at ${at} by its clock. `}
        {last !== null &&
          `The last is of ${dateText(last)}; ${kept === 1 ? "it is the only one" : `${kept} are kept`}. `}
        They lie on the server, in var/backups, the last seven; ./restore brings one back.
      </p>
      <form
        className="flex gap-3 items-start"
        onSubmit={(event) => {
          event.preventDefault();
          void set(hour);
        }}
      >
        <TextField
          label="At"
          type="time"
          value={hour}
          error={problem}
          className="w-32"
          onChange={({ target }) => setHour(target.value)}
        />
        <Button type="submit" className="mt-5">
          {at === null ? "Make one each night" : "Change the hour"}
        </Button>
        {at !== null && (
          <Button weight="quiet" className="mt-5 min-h-9" onClick={() => void set(null)}>
            no more
          </Button>
        )}
      </form>
    </section>
  );
}
