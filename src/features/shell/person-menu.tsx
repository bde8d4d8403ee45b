"use client";

import { useRouter } from "next/navigation";
import { callAct } from "@/contracts/call-act";
import { setClock, setUnits, signOut, type Person } from "@/contracts/people";
import { Choice } from "@/ui/choice";
import { useSignOut } from "@/offline/use-sign-out";
import { Menu, MenuItem } from "@/ui/menu";
import { SignOutDialog } from "@/ui/sign-out-dialog";

/** Which units and clock one reads, and the way out. */
export function PersonMenu({ person }: { person: Person }) {
  const router = useRouter();
  const { ask, ...leaving } = useSignOut(() => callAct(signOut, {}));
  return (
    <div className="flex items-center gap-4 label">
      <Choice
        label="Unit system shown first"
        value={person.units}
        options={[
          { value: "us", words: "in · fl oz" },
          { value: "metric", words: "mm · ml" },
        ]}
        onChange={async (units) => {
          await callAct(setUnits, { units });
          router.refresh();
        }}
      />
      <Menu label={person.name}>
        <MenuItem onSelect={() => router.push("/shop")}>{person.shopName}</MenuItem>
        <MenuItem
          onSelect={async () => {
            await callAct(setClock, { clock: person.clock === "24h" ? "12h" : "24h" });
            router.refresh();
          }}
        >
          {person.clock === "24h" ? "Times as 2:05 pm, May 14" : "Times as 14:05, 14 May"}
        </MenuItem>
        <MenuItem onSelect={ask}>Sign out</MenuItem>
      </Menu>
      <SignOutDialog {...leaving} />
    </div>
  );
}
