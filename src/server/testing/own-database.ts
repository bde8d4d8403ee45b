import { userInfo } from "node:os";
import mysql from "mysql2/promise";
import { openDatabase, type Database } from "../database";
import { readSettings } from "../settings";

/** An empty database of a test's own on the server of ./check, dropped by `drop`. */
export async function ownDatabase(
  name: string,
): Promise<{ db: Database; root: mysql.Connection; drop: () => Promise<void> }> {
  const socketPath = process.env["GAUGEBEAM_CHECK_SOCKET"];
  if (!socketPath) throw new Error("GAUGEBEAM_CHECK_SOCKET is not set: run by ./check");
  const root = await mysql.createConnection({
    socketPath,
    user: userInfo().username,
    multipleStatements: true,
  });
  await root.query(`DROP DATABASE IF EXISTS \`${name}\`; CREATE DATABASE \`${name}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;
    GRANT ALL PRIVILEGES ON \`${name}\`.* TO 'app'@'127.0.0.1'; USE \`${name}\``);
  const db = openDatabase({ ...readSettings().database, name });
  return {
    db,
    root,
    drop: async () => {
      await db.sequelize.close();
      await root.query(`DROP DATABASE \`${name}\``);
      await root.end();
    },
  };
}
