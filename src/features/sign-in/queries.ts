import { database } from "@/server/database";
import { signInBook } from "@/server/repositories/people";

/** Whether nobody has an account yet: then the first-run page makes the owner. */
export const isFirstRun = () => signInBook(database()).isEmpty();
