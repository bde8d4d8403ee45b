import type { Person } from "@/contracts/people";
import { database } from "@/server/database";
import { peopleOf } from "@/server/repositories/people";

export const listPeople = (me: Person) => peopleOf(database(), me).list();
