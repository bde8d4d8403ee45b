/** What the environment decides. Set by ./start and ./check; see scripts/database.sh. */
export type Settings = {
  database: { host: string; port: number; name: string; user: string; password: string };
  sessionSecret: string;
  secureCookies: boolean;
};

function need(name: string): string {
  const value = process.env[name];
  if (!value)
    throw new Error(`${name} is not set. Start Gaugebeam by ./start, or set it as scripts/database.sh does.`);
  return value;
}

/** @throws when a setting is missing, naming it. */
export function readSettings(): Settings {
  const secret = need("GAUGEBEAM_SECRET");
  if (secret.length < 32) throw new Error("GAUGEBEAM_SECRET must have at least 32 characters.");
  return {
    database: {
      host: process.env["GAUGEBEAM_DB_HOST"] ?? "127.0.0.1",
      port: Number(need("GAUGEBEAM_DB_PORT")),
      name: need("GAUGEBEAM_DB_NAME"),
      user: need("GAUGEBEAM_DB_USER"),
      password: need("GAUGEBEAM_DB_PASSWORD"),
    },
    sessionSecret: secret,
    secureCookies: process.env["GAUGEBEAM_HTTPS"] === "1",
  };
}
