import "server-only";
import mysql2 from "mysql2";
import { Sequelize } from "sequelize";
import { defineColourCard } from "./models/colour-card";
import { defineJob } from "./models/job";
import { defineJobPrice } from "./models/job-price";
import { defineLearning } from "./models/learning";
import { definePicture } from "./models/picture";
import { definePour } from "./models/pour";
import { defineQuote } from "./models/quote";
import { defineRecipe } from "./models/recipe";
import { defineRehearsal } from "./models/rehearsal";
import { defineResinCard } from "./models/resin-card";
import { defineRoomReading } from "./models/room-reading";
import { defineSession } from "./models/session";
import { defineShelf } from "./models/shelf";
import { defineShop } from "./models/shop";
import { defineTrial } from "./models/trial";
import { readSettings, type Settings } from "./settings";

/** The connection with its models. One factory makes both: a second copy of this module would otherwise hold models without a connection. */
export function openDatabase(settings: Settings["database"]) {
  const sequelize = new Sequelize(settings.name, settings.user, settings.password, {
    host: settings.host,
    port: settings.port,
    dialect: "mysql",
    dialectModule: mysql2,
    logging: false,
    timezone: "+00:00",
    define: { charset: "utf8mb4" },
    pool: { max: 10, min: 0, acquire: 15000, idle: 10000 },
    // Only what never reached the server is sent again by itself; whole transactions are repeated by `inTransaction`.
    retry: { max: 3, match: [/ECONNREFUSED/] },
  });
  return {
    sequelize,
    ...defineShop(sequelize),
    ...defineJob(sequelize),
    ResinCard: defineResinCard(sequelize),
    ColourCard: defineColourCard(sequelize),
    ...definePour(sequelize),
    Picture: definePicture(sequelize),
    ...defineRecipe(sequelize),
    RoomReading: defineRoomReading(sequelize),
    ...defineRehearsal(sequelize),
    ...defineSession(sequelize),
    ...defineLearning(sequelize),
    ...defineTrial(sequelize),
    ...defineShelf(sequelize),
    JobPrice: defineJobPrice(sequelize),
    ...defineQuote(sequelize),
  };
}

export type Database = ReturnType<typeof openDatabase>;

const holder = globalThis as typeof globalThis & { gaugebeamDatabase?: Database };

/** The process's one connection pool. */
export function database(): Database {
  holder.gaugebeamDatabase ??= openDatabase(readSettings().database);
  return holder.gaugebeamDatabase;
}

/** Whether the database answers. */
export async function isReachable(): Promise<boolean> {
  try {
    await database().sequelize.query("SELECT 1");
    return true;
  } catch {
    return false;
  }
}

/** A JSON column as the driver gives it: parsed, or the text itself. */
export function jsonOf(value: Record<string, unknown> | string): unknown {
  return typeof value === "string" ? JSON.parse(value) : value;
}
