"use client";

import { useState } from "react";
import { callAct } from "@/contracts/call-act";
import { givePassword } from "@/contracts/people";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { TextField } from "@/ui/text-field";

/** Another password for somebody who has forgotten theirs, or has none yet. */
export function PasswordDialog({
  person,
  onClose,
}: {
  person: { id: string; name: string };
  onClose: () => void;
}) {
  const [password, setPassword] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const give = async () => {
    setBusy(true);
    const result = await callAct(givePassword, { personId: person.id, password });
    setBusy(false);
    if (result.ok) onClose();
    else setProblem(result.error.message);
  };
  return (
    <Dialog open onClose={onClose} title={`A new password for ${person.name}`}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void give();
        }}
      >
        <p>Tell it by word of mouth. Wherever {person.name} is signed in, that ends.</p>
        <TextField
          label="New password"
          type="password"
          autoComplete="new-password"
          value={password}
          error={problem}
          onChange={({ target }) => {
            setPassword(target.value);
            setProblem(null);
          }}
        />
        <div className="flex gap-3">
          <Button type="submit" weight="primary" className="min-h-11" disabled={busy}>
            Give it
          </Button>
          <Button className="min-h-11" onClick={onClose}>
            Not now
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
