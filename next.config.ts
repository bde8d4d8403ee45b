import type { NextConfig } from "next";

const config: NextConfig = {
  distDir: process.env["GAUGEBEAM_DIST"] ?? ".next",
  poweredByHeader: false,
  reactStrictMode: true,
  serverExternalPackages: ["sequelize", "mysql2", "umzug", "argon2", "@react-pdf/renderer"],
  // Development mode would otherwise print the arguments of requests, passwords among them.
  logging: { incomingRequests: false, serverFunctions: false },
  devIndicators: false,
  turbopack: { root: __dirname },
};

export default config;
