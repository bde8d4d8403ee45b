/** Now by the server's clock, ms; the fixed hour of the gallery's pictures where they are taken. */
export const serverNowMs = (): number => Date.parse(process.env["GAUGEBEAM_DEMO_NOW"] ?? "") || Date.now();
