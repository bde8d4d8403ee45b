/** How Debian's Chromium is started here: without a window (its headless shell is a sixth quicker in the journeys), on a machine with a closed network. */
export const CHROMIUM = {
  executablePath: "/usr/bin/chromium-headless-shell",
  args: [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
  ],
};
