import "./globals.css";
import type { Metadata, Viewport } from "next";
import { headers } from "next/headers";
import type { ReactNode } from "react";
import { StyleNonce } from "@/ui/style-nonce";

export const metadata: Metadata = {
  title: { default: "Gaugebeam", template: "%s · Gaugebeam" },
  description: "Batches, coats and pour days for epoxy surface finishers",
};
export const viewport: Viewport = { width: "device-width", initialScale: 1, themeColor: "#e6e2da" };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get("x-nonce") ?? "";
  return (
    <html lang="en">
      <body>
        <StyleNonce nonce={nonce} />
        {children}
      </body>
    </html>
  );
}
