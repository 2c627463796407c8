import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig, type Plugin } from "vite";

/** Ships every text asset compressed as well, for the server does not compress. */
function gzipped(): Plugin {
  return {
    name: "gzipped",
    apply: "build",
    writeBundle(options, bundle) {
      for (const name of Object.keys(bundle).filter((file) => /\.(js|css|svg)$/.test(file))) {
        const path = join(options.dir ?? "", name);
        writeFileSync(`${path}.gz`, gzipSync(readFileSync(path), { level: 9 }));
      }
    },
  };
}

export default defineConfig({
  plugins: [react(), tailwindcss(), gzipped()],
  resolve: { alias: { "@": new URL("./src", import.meta.url).pathname } },
  build: { assetsInlineLimit: 0, modulePreload: { polyfill: false } },
  server: { proxy: { "/api": "http://127.0.0.1:8700" } },
});
