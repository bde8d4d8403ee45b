import { randomUUID } from "node:crypto";
import { UniqueConstraintError } from "sequelize";
import type { Role } from "@/contracts/act";
import type { Person } from "@/contracts/people";
import type { ClockStyle } from "@/core/units/clock";
import type { UnitSystem } from "@/core/units/dimension";
import { benchSettings } from "@/contracts/bench";
import { jsonOf, type Database } from "../database";
import type { Transaction } from "sequelize";
import { inTransaction } from "../transaction";
import type { PersonRow } from "../models/shop";
import { notFound, Refused } from "../refused";

/** What signing in is checked against. One e-mail address may belong to people of several shops. */
export type Credentials = { personId: string; passwordHash: string; shopId: string; shopName: string };
type NewPerson = {
  name: string;
  email: string;
  role: Role;
  units: UnitSystem;
  clock: ClockStyle;
  passwordHash: string;
};

async function asPerson(db: Database, row: PersonRow): Promise<Person> {
  const shop = await db.Shop.findByPk(row.shopId);
  if (!shop) throw new Error(`Person ${row.id} belongs to no shop`);
  return {
    id: row.id,
    shopId: row.shopId,
    shopName: shop.name,
    name: row.name,
    email: row.email,
    role: row.role,
    units: row.units,
    clock: row.clock,
    timeZone: shop.bench ? benchSettings.parse(jsonOf(shop.bench)).timeZone : null,
  };
}

/** People before anyone is signed in: only what signing in needs. */
export function signInBook(db: Database) {
  return {
    async credentials(email: string): Promise<Credentials[]> {
      const rows = await db.Person.findAll({ where: { email }, order: [["createdAt", "ASC"]] });
      const shops = await db.Shop.findAll({ where: { id: rows.map(({ shopId }) => shopId) } });
      const names = new Map(shops.map(({ id, name }) => [id, name]));
      return rows.map(({ id, passwordHash, shopId }) => ({
        personId: id,
        passwordHash,
        shopId,
        shopName: names.get(shopId) ?? "",
      }));
    },
    async setHash(personId: string, passwordHash: string): Promise<void> {
      await db.Person.update({ passwordHash }, { where: { id: personId } });
    },
    /** A person by their id; for sessions and the demo, which know it. */
    async person(personId: string): Promise<Person | null> {
      const row = await db.Person.findByPk(personId);
      return row ? asPerson(db, row) : null;
    },
    async isEmpty(): Promise<boolean> {
      return (await db.Person.count()) === 0;
    },
    /** Makes a shop with its owner. The caller decides whether that is allowed. */
    found: (shopName: string, owner: Omit<NewPerson, "role">) =>
      inTransaction(db, (transaction) => foundIn(db, shopName, owner, transaction)),
    /** The same where nobody has an account yet; null where somebody has. Of several at once one makes the shop. */
    foundFirst: (shopName: string, owner: Omit<NewPerson, "role">) =>
      inTransaction(db, async (transaction) => {
        await db.Mark.findByPk("first-run", { transaction, lock: true });
        if ((await db.Person.count({ transaction })) > 0) return null;
        return foundIn(db, shopName, owner, transaction);
      }),
  };
}

async function foundIn(
  db: Database,
  shopName: string,
  owner: Omit<NewPerson, "role">,
  transaction: Transaction,
): Promise<{ personId: string; shopId: string }> {
  const shop = await db.Shop.create({ id: randomUUID(), name: shopName }, { transaction });
  const row = await db.Person.create(
    { id: randomUUID(), shopId: shop.id, role: "owner", ...owner },
    { transaction },
  );
  return { personId: row.id, shopId: shop.id };
}

/** The people of the signed-in person's shop. */
export function peopleOf(db: Database, me: Person) {
  const rowOf = async (personId: string, transaction?: Transaction) => {
    const row = await db.Person.findOne({
      where: { id: personId, shopId: me.shopId },
      ...(transaction ? { transaction } : {}),
    });
    if (!row) throw notFound("person in this shop");
    return row;
  };
  /** Changes a person while nobody else changes the shop's people, so that two owners cannot send each other away at once. */
  const changing = (
    personId: string,
    leaves: boolean,
    change: (row: PersonRow, transaction: Transaction) => Promise<unknown>,
  ) =>
    inTransaction(db, async (transaction) => {
      await db.Shop.findByPk(me.shopId, { transaction, lock: true });
      const row = await rowOf(personId, transaction);
      const owners = await db.Person.count({ where: { shopId: me.shopId, role: "owner" }, transaction });
      if (leaves && row.role === "owner" && owners === 1)
        throw new Refused({
          code: "forbidden",
          message: "A shop needs an owner: make someone else owner first.",
        });
      // Whoever asks may have been sent away while this waited.
      const asks = await db.Person.findOne({ where: { id: me.id, shopId: me.shopId }, transaction });
      if (asks?.role !== "owner")
        throw new Refused({ code: "forbidden", message: "Only an owner of the shop can do that." });
      await change(row, transaction);
    });
  return {
    async list(): Promise<Omit<Person, "shopId" | "shopName" | "timeZone">[]> {
      const rows = await db.Person.findAll({ where: { shopId: me.shopId }, order: [["createdAt", "ASC"]] });
      return rows.map(({ id, name, email, role, units, clock }) => ({
        id,
        name,
        email,
        role,
        units,
        clock,
      }));
    },
    async add(person: NewPerson): Promise<string> {
      try {
        const row = await db.Person.create({ id: randomUUID(), shopId: me.shopId, ...person });
        return row.id;
      } catch (failure) {
        if (failure instanceof UniqueConstraintError)
          throw new Refused({
            code: "invalid",
            message: "Somebody in this shop signs in with this e-mail address already.",
            field: "email",
          });
        throw failure;
      }
    },
    setRole: (personId: string, role: Role): Promise<void> =>
      changing(personId, role !== "owner", (row, transaction) => row.update({ role }, { transaction })),
    remove: (personId: string): Promise<void> =>
      changing(personId, true, (row, transaction) => row.destroy({ transaction })),
    /** Another password for somebody of the shop; what was opened with the old one ends. */
    givePassword: (personId: string, passwordHash: string): Promise<void> =>
      changing(personId, false, async (row, transaction) => {
        await row.update({ passwordHash }, { transaction });
        await db.Session.destroy({ where: { personId }, transaction });
      }),
    async passwordHash(): Promise<string> {
      return (await rowOf(me.id)).passwordHash;
    },
    /** A new password ends every session that was opened with the old one. */
    async setPassword(passwordHash: string): Promise<void> {
      await inTransaction(db, async (transaction) => {
        await (await rowOf(me.id, transaction)).update({ passwordHash }, { transaction });
        await db.Session.destroy({ where: { personId: me.id }, transaction });
      });
    },
    async setUnits(units: UnitSystem): Promise<void> {
      await (await rowOf(me.id)).update({ units });
    },
    async setClock(clock: ClockStyle): Promise<void> {
      await (await rowOf(me.id)).update({ clock });
    },
  };
}
