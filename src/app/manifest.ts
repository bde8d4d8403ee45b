import type { MetadataRoute } from "next";

/** What a tablet needs to know to put Gaugebeam on its own screen. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: "Gaugebeam",
    short_name: "Gaugebeam",
    description: "Batches, coats and pour days for epoxy surface finishers",
    start_url: "/bench",
    scope: "/",
    display: "standalone",
    background_color: "#1e2124",
    theme_color: "#e6e2da",
    icons: [
      { src: "/icon.svg", sizes: "any", type: "image/svg+xml" },
      { src: "/icon-192.png", sizes: "192x192", type: "image/png" },
      { src: "/icon-512.png", sizes: "512x512", type: "image/png" },
      { src: "/icon-maskable-512.png", sizes: "512x512", type: "image/png", purpose: "maskable" },
    ],
  };
}
