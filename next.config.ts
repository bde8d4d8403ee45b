import type { NextConfig } from "next";

const config: NextConfig = {
  distDir: process.env["GAUGEBEAM_DIST"] ?? ".next",
  poweredByHeader: false,
  reactStrictMode: true,
  serverExternalPackages: [
    "sequelize",
    "mysql2",
    "umzug",
    "argon2",
    "piscina",
    "@react-pdf/renderer",
    "serialport",
  ],
  // Development mode would otherwise print the arguments of requests, passwords among them.
  logging: { incomingRequests: false, serverFunctions: false },
  devIndicators: false,
  // Types are checked once, by ./check; a build on a bench machine need not wait for them.
  typescript: { ignoreBuildErrors: true },
  turbopack: { root: __dirname },
};

export default config;
