"use client";

import { zodResolver } from "@hookform/resolvers/zod";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useForm } from "react-hook-form";
import type { z } from "zod";
import type { ActResult } from "@/contracts/act";
import { callAct } from "@/contracts/call-act";
import { addPerson, newPersonFields, removePerson, setRole, type Person } from "@/contracts/people";
import { Button } from "@/ui/button";
import { SelectField, TextField } from "@/ui/text-field";
import { OwnAccess } from "./own-access";
import { PasswordDialog } from "./password-dialog";

type Listed = Omit<Person, "shopId" | "shopName" | "timeZone">;
type Fields = z.output<typeof newPersonFields>;

const EMPTY: Fields = { name: "", email: "", password: "", role: "hand" };

/** The people of the shop; owners add and remove. */
export function PeopleView({ me, people }: { me: Person; people: Listed[] }) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const [giving, setGiving] = useState<Listed | null>(null);
  const owner = me.role === "owner";
  const form = useForm<z.input<typeof newPersonFields>, unknown, Fields>({
    resolver: zodResolver(newPersonFields),
    defaultValues: EMPTY,
  });
  const { errors, isSubmitting } = form.formState;

  const after = (result: ActResult<unknown>) => {
    setProblem(result.ok ? null : result.error.message);
    if (result.ok) router.refresh();
  };
  const add = form.handleSubmit(async (fields) => {
    const result = await callAct(addPerson, fields);
    if (!result.ok) {
      form.setError((result.error.field as keyof Fields) || "name", { message: result.error.message });
      return;
    }
    form.reset(EMPTY);
    router.refresh();
  });

  return (
    <main className="px-7 py-6 max-w-5xl">
      <h1 className="heading text-2xl mb-1">{me.shopName}</h1>
      <p className="text-ink-soft mb-3">
        Owners add people and remove resin cards; hands plan, pour and log. Nobody outside the shop sees any
        of it.
      </p>
      <div className="flex gap-5 mb-5 text-sm">
        <Link href="/shop/rates" className="underline underline-offset-4 decoration-line-strong">
          rates and price list
        </Link>
        {owner && (
          <Link href="/shop/file" className="underline underline-offset-4 decoration-line-strong">
            the shop in a file
          </Link>
        )}
      </div>
      {problem && (
        <p role="alert" className="border-l-2 border-danger text-danger pl-2 mb-3">
          {problem}
        </p>
      )}
      <table className="w-full border-t border-ink">
        <thead>
          <tr className="label text-left">
            <th className="font-normal py-2">Name</th>
            <th className="font-normal">E-mail</th>
            <th className="font-normal">Role</th>
            <th className="font-normal">
              <span className="sr-only">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {people.map((person) => (
            <tr key={person.id} className="border-t border-line">
              <td className="py-2.5 heading">{person.name}</td>
              <td className="text-ink-soft">{person.email}</td>
              <td>
                {owner ? (
                  <select
                    aria-label={`Role of ${person.name}`}
                    value={person.role}
                    onChange={async (event) =>
                      after(
                        await callAct(setRole, {
                          personId: person.id,
                          role: event.target.value as Listed["role"],
                        }),
                      )
                    }
                    className="select-mark bg-transparent border-b border-line-strong h-7 pl-1 pr-6"
                  >
                    <option value="owner">owner</option>
                    <option value="hand">hand</option>
                  </select>
                ) : (
                  person.role
                )}
              </td>
              <td className="text-right">
                {owner && person.id !== me.id && (
                  <Button weight="quiet" className="mr-5" onClick={() => setGiving(person)}>
                    new password
                  </Button>
                )}
                {owner && person.id !== me.id && (
                  <Button
                    weight="quiet"
                    onClick={async () => after(await callAct(removePerson, { personId: person.id }))}
                  >
                    remove
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {owner && (
        <form method="post" onSubmit={add} noValidate className="mt-8">
          <h2 className="heading text-lg mb-3">Add someone</h2>
          <div className="grid grid-cols-4 gap-4 items-start max-md:grid-cols-1">
            <TextField label="Name" error={errors.name?.message} {...form.register("name")} />
            <TextField
              label="E-mail"
              type="email"
              autoComplete="off"
              error={errors.email?.message}
              {...form.register("email")}
            />
            <TextField
              label="First password"
              type="password"
              autoComplete="new-password"
              error={errors.password?.message}
              {...form.register("password")}
            />
            <SelectField label="Role" {...form.register("role")}>
              <option value="hand">hand</option>
              <option value="owner">owner</option>
            </SelectField>
          </div>
          <Button type="submit" disabled={isSubmitting} className="mt-4">
            Add
          </Button>
        </form>
      )}
      {giving && <PasswordDialog person={giving} onClose={() => setGiving(null)} />}
      <OwnAccess />
    </main>
  );
}
