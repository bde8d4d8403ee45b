"use client";

import "./globals.css";
import { Button } from "@/ui/button";

/** In place of a page of which only a part came: the server went away while it was sent. */
export default function PageThatBroke() {
  return (
    <html lang="en">
      <body>
        <main className="px-7 max-sm:px-4 py-10 max-w-2xl">
          <h1 className="heading text-2xl mb-2">This page did not come whole.</h1>
          <p className="mb-5">
            The server went away while it was sent. Nothing is lost: what was saved is kept, and what you
            typed last is kept in this browser.
          </p>
          <Button weight="primary" className="min-h-11" onClick={() => window.location.reload()}>
            Load it again
          </Button>
        </main>
      </body>
    </html>
  );
}
