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
import { readSettings } from "./settings";

/** Every migration, oldest first. A migration that has shipped is never changed; a new one is added. */
const MIGRATIONS = [
  { name: "0001-shops-and-people", ...first },
  { name: "0002-jobs", ...second },
  { name: "0003-resin-cards", ...third },
  { name: "0004-pours", ...fourth },
  { name: "0005-measure-and-batch", ...fifth },
  { name: "0006-colour-cards", ...sixth },
  { name: "0007-recipes", ...seventh },
  { name: "0008-the-bench", ...eighth },
  { name: "0009-rehearsals", ...ninth },
];

/** Brings the tables up to date; returns the names of what ran. */
export async function migrate(db: Database): Promise<string[]> {
  const umzug = new Umzug({
    migrations: MIGRATIONS,
    context: db.sequelize.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize: db.sequelize, tableName: "migrations" }),
    logger: undefined,
  });
  return (await umzug.up()).map((ran) => ran.name);
}

if (process.argv[1]?.endsWith("server/migrate.ts")) {
  const db = openDatabase(readSettings().database);
  migrate(db)
    .then((ran) =>
      process.stdout.write(ran.length > 0 ? `Migrated: ${ran.join(", ")}\n` : "Tables are up to date.\n"),
    )
    .finally(() => db.sequelize.close());
}
