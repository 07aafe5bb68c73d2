import type { MetadataRoute } from "next";

/** So that a tablet can keep Helvane on its first screen, with its own window. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: "Helvane",
    short_name: "Helvane",
    description: "Panel repair, from the first look to the hand-over",
    start_url: "/",
    display: "standalone",
    background_color: "#C5CEC3",
    theme_color: "#F4F6F1",
    icons: [{ src: "/icon.svg", sizes: "any", type: "image/svg+xml" }],
  };
}
