import { DataTypes } from "sequelize";
import type { RepeatableTables } from "../repeatable-tables";

/**
 * What lists ask for as columns of jobs; the server's own sequence of pour entries; sessions that can be ended;
 * e-mail addresses that are a shop's own affair; marks that one process at a time holds.
 */
export async function up({ context: tables }: { context: RepeatableTables }): Promise<void> {
  const { sequelize } = tables;
  await tables.createTable("marks", {
    name: { type: DataTypes.STRING(40), primaryKey: true },
    value: { type: DataTypes.STRING(40), allowNull: false },
  });
  await sequelize.query("INSERT IGNORE INTO marks (name, value) VALUES ('first-run', ''), ('demo', '')");

  await tables.addColumn("jobs", "start_on", { type: DataTypes.DATEONLY, allowNull: true });
  await tables.addColumn("jobs", "pieces", { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 });
  await tables.addColumn("jobs", "recipe_version_id", { type: DataTypes.UUID, allowNull: true });
  await sequelize.query(
    `UPDATE jobs j JOIN job_revisions r ON r.job_id = j.id AND r.revision = j.revision
     SET j.start_on = JSON_VALUE(r.document, '$.work.startOn'),
         j.pieces = COALESCE(JSON_LENGTH(r.document, '$.pieces'), 0),
         j.recipe_version_id = JSON_VALUE(r.document, '$.recipe.versionId')`,
  );
  await tables.addIndex("jobs", ["shop_id", "archived_at", "start_on"]);
  await tables.addIndex("jobs", ["shop_id", "recipe_version_id"]);

  // Earlier entries get their numbers in the order in which they came; those that came together, in the order of their times.
  await tables.addColumn("pour_events", "sequence", { type: DataTypes.BIGINT.UNSIGNED, allowNull: true });
  await sequelize.query(
    `UPDATE pour_events e JOIN (SELECT id, ROW_NUMBER() OVER (ORDER BY received_at, at, id) AS place FROM pour_events) p ON p.id = e.id
     SET e.sequence = p.place WHERE e.sequence IS NULL`,
  );
  await tables.addIndex("pour_events", ["sequence"], { unique: true });
  await sequelize.query("ALTER TABLE pour_events MODIFY sequence BIGINT UNSIGNED NOT NULL AUTO_INCREMENT");

  await tables.createTable("sessions", {
    id: { type: DataTypes.UUID, primaryKey: true },
    person_id: {
      type: DataTypes.UUID,
      allowNull: false,
      references: { model: "people", key: "id" },
      onDelete: "CASCADE",
    },
    opened_at: { type: DataTypes.DATE(3), allowNull: false },
    ends_at: { type: DataTypes.DATE(3), allowNull: false },
  });
  await tables.addIndex("sessions", ["person_id"]);
  await tables.addIndex("sessions", ["ends_at"]);

  await tables.addIndex("people", ["email", "shop_id"], { unique: true });
  await tables.dropIndexOn("people", ["email"]);
  await sequelize.query("ALTER TABLE people DROP COLUMN IF EXISTS session_version");
}
