import { SequelizeStorage, Umzug } from "umzug";
import { openDatabase, type Database } from "./database";
import * as first from "./migrations/0001-shops-and-people";
import * as second from "./migrations/0002-jobs";
import * as third from "./migrations/0003-resin-cards";
import * as fourth from "./migrations/0004-pours";
import * as fifth from "./migrations/0005-measure-and-batch";
import * as sixth from "./migrations/0006-colour-cards";
import * as seventh from "./migrations/0007-recipes";
import * as eighth from "./migrations/0008-the-bench";
import * as ninth from "./migrations/0009-rehearsals";
import * as tenth from "./migrations/0010-nothing-lost";
import * as eleventh from "./migrations/0011-taken-back";
import * as twelfth from "./migrations/0012-clock";
import * as thirteenth from "./migrations/0013-heat-on-a-film";
import * as fourteenth from "./migrations/0014-learning";
import * as fifteenth from "./migrations/0015-trials";
import * as sixteenth from "./migrations/0016-shelf";
import * as seventeenth from "./migrations/0017-money";
import * as eighteenth from "./migrations/0018-quotes";
import { repeatableTables, type RepeatableTables } from "./repeatable-tables";
import { readSettings } from "./settings";

/** Every migration, oldest first. A migration that has shipped is never changed; a new one is added. */
export const MIGRATIONS: readonly {
  name: string;
  up: (of: { context: RepeatableTables }) => Promise<void>;
}[] = [
  { name: "0001-shops-and-people", ...first },
  { name: "0002-jobs", ...second },
  { name: "0003-resin-cards", ...third },
  { name: "0004-pours", ...fourth },
  { name: "0005-measure-and-batch", ...fifth },
  { name: "0006-colour-cards", ...sixth },
  { name: "0007-recipes", ...seventh },
  { name: "0008-the-bench", ...eighth },
  { name: "0009-rehearsals", ...ninth },
  { name: "0010-nothing-lost", ...tenth },
  { name: "0011-taken-back", ...eleventh },
  { name: "0012-clock", ...twelfth },
  { name: "0013-heat-on-a-film", ...thirteenth },
  { name: "0014-learning", ...fourteenth },
  { name: "0015-trials", ...fifteenth },
  { name: "0016-shelf", ...sixteenth },
  { name: "0017-money", ...seventeenth },
  { name: "0018-quotes", ...eighteenth },
];

/** Another process that migrates is waited for, at most so long. */
const WAIT_S = 120;

/**
 * Brings the tables up to date, one process at a time; returns the names of what ran. Cut off anywhere, it goes on when it is run again.
 * @param upTo stops after the migration of this name
 * @throws when another process migrates all the while
 */
export async function migrate(db: Database, upTo?: string): Promise<string[]> {
  const umzug = new Umzug({
    migrations: [...MIGRATIONS],
    context: repeatableTables(db.sequelize.getQueryInterface()),
    storage: new SequelizeStorage({ sequelize: db.sequelize, tableName: "migrations" }),
    logger: undefined,
  });
  // The lock belongs to the transaction's connection and ends with it, however this process ends.
  return db.sequelize.transaction(async (transaction) => {
    const name = `migrate ${db.sequelize.config.database}`.slice(0, 64);
    const [rows] = await db.sequelize.query("SELECT GET_LOCK(?, ?) AS held", {
      replacements: [name, WAIT_S],
      transaction,
    });
    if (Number((rows as { held: number }[])[0]?.held) !== 1)
      throw new Error("Another process is bringing the tables up to date. Start again when it is done.");
    try {
      return (await umzug.up(upTo ? { to: upTo } : {})).map((ran) => ran.name);
    } finally {
      await db.sequelize.query("SELECT RELEASE_LOCK(?)", { replacements: [name], transaction });
    }
  });
}

if (process.argv[1]?.endsWith("server/migrate.ts")) {
  const db = openDatabase(readSettings().database);
  migrate(db)
    .then((ran) =>
      process.stdout.write(ran.length > 0 ? `Migrated: ${ran.join(", ")}\n` : "Tables are up to date.\n"),
    )
    .finally(() => db.sequelize.close());
}
