import { randomUUID } from "node:crypto";
import { UniqueConstraintError } from "sequelize";
import type { Role } from "@/contracts/act";
import type { Person } from "@/contracts/people";
import type { UnitSystem } from "@/core/units/dimension";
import type { Database } from "../database";
import type { PersonRow } from "../models/shop";
import { notFound, Refused } from "../refused";

type NewPerson = { name: string; email: string; role: Role; units: UnitSystem; passwordHash: string };

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
  };
}

/** People before anyone is signed in: only what signing in needs. */
export function signInBook(db: Database) {
  return {
    async credentials(
      email: string,
    ): Promise<{ personId: string; passwordHash: string; sessionVersion: number } | null> {
      const row = await db.Person.findOne({ where: { email } });
      return row
        ? { personId: row.id, passwordHash: row.passwordHash, sessionVersion: row.sessionVersion }
        : null;
    },
    /** The person of a session, if the session is still good. */
    async person(personId: string, sessionVersion: number): Promise<Person | null> {
      const row = await db.Person.findOne({ where: { id: personId, sessionVersion } });
      return row ? asPerson(db, row) : null;
    },
    async isEmpty(): Promise<boolean> {
      return (await db.Person.count()) === 0;
    },
    /** Makes a shop with its owner. The caller decides whether that is allowed. */
    async found(
      shopName: string,
      owner: Omit<NewPerson, "role">,
    ): Promise<{ personId: string; shopId: string }> {
      return db.sequelize.transaction(async (transaction) => {
        const shop = await db.Shop.create({ id: randomUUID(), name: shopName }, { transaction });
        const row = await db.Person.create(
          { id: randomUUID(), shopId: shop.id, role: "owner", ...owner },
          { transaction },
        );
        return { personId: row.id, shopId: shop.id };
      });
    },
  };
}

/** The people of the signed-in person's shop. */
export function peopleOf(db: Database, me: Person) {
  const own = async (personId: string) => {
    const row = await db.Person.findOne({ where: { id: personId, shopId: me.shopId } });
    if (!row) throw notFound("person in this shop");
    return row;
  };
  const keepAnOwner = async (leaving: PersonRow) => {
    const owners = await db.Person.count({ where: { shopId: me.shopId, role: "owner" } });
    if (leaving.role === "owner" && owners === 1)
      throw new Refused({
        code: "forbidden",
        message: "A shop needs an owner: make someone else owner first.",
      });
  };
  return {
    async list(): Promise<Omit<Person, "shopId" | "shopName">[]> {
      const rows = await db.Person.findAll({ where: { shopId: me.shopId }, order: [["createdAt", "ASC"]] });
      return rows.map(({ id, name, email, role, units }) => ({ id, name, email, role, units }));
    },
    async add(person: NewPerson): Promise<string> {
      try {
        const row = await db.Person.create({ id: randomUUID(), shopId: me.shopId, ...person });
        return row.id;
      } catch (failure) {
        if (failure instanceof UniqueConstraintError)
          throw new Refused({
            code: "invalid",
            message: "Someone already signs in with this e-mail address.",
            field: "email",
          });
        throw failure;
      }
    },
    async setRole(personId: string, role: Role): Promise<void> {
      const row = await own(personId);
      if (role !== "owner") await keepAnOwner(row);
      await row.update({ role });
    },
    async remove(personId: string): Promise<void> {
      const row = await own(personId);
      await keepAnOwner(row);
      await row.destroy();
    },
    async setUnits(units: UnitSystem): Promise<void> {
      await (await own(me.id)).update({ units });
    },
  };
}
