import { createHash } from "node:crypto";
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { brotliCompressSync, gzipSync } from "node:zlib";
import react from "@vitejs/plugin-react";
import type { Plugin } from "vite";
import { defineConfig } from "vitest/config";
import { palettes } from "./src/app/theme";

/** Under `./ivesk dev`: the page is loaded anew when the server has come back with what was changed. */
function reloadWithServer(): Plugin {
  const up = resolve("target/dev-up");
  return {
    name: "reload-with-server",
    apply: "serve",
    configureServer(server) {
      server.watcher.add(up);
      const reload = (file: string) => {
        if (file === up) server.ws.send({ type: "full-reload" });
      };
      server.watcher.on("change", reload);
      server.watcher.on("add", reload);
    },
  };
}

/** The service worker, with the files of this build. */
function serviceWorker(): Plugin {
  return {
    name: "service-worker",
    apply: "build",
    generateBundle(_, bundle) {
      const files = Object.keys(bundle)
        .filter((file) => file.startsWith("assets/"))
        .sort();
      const version = createHash("sha256").update(files.join()).digest("hex").slice(0, 12);
      this.emitFile({
        type: "asset",
        fileName: "sw.js",
        source: readFileSync(resolve("sw.template.js"), "utf8")
          .replace("__VERSION__", version)
          .replace("__FILES__", JSON.stringify(files.map((file) => `/${file}`))),
      });
    },
  };
}

/** Compressed once, when it is built, and not at each request. */
function compressedAhead(): Plugin {
  return {
    name: "compressed-ahead",
    apply: "build",
    writeBundle({ dir }) {
      const assets = join(dir ?? "", "assets");
      for (const file of readdirSync(assets)) {
        if (!/\.(js|css|svg)$/.test(file)) continue;
        const whole = readFileSync(join(assets, file));
        writeFileSync(join(assets, `${file}.br`), brotliCompressSync(whole));
        writeFileSync(join(assets, `${file}.gz`), gzipSync(whole, { level: 9 }));
      }
    },
  };
}

/**
 * What is seen before the scripts have come: the light of the room, and the styles before all that a
 * browser asks for six at a time.
 */
function firstPaint(): Plugin {
  const link = / *<link rel="stylesheet"[^>]*>\n/g;
  const { desk, couch } = palettes;
  const colours = `<style nonce="__NONCE__">
      body.desk { background: ${desk.paper} }
      body.couch { background: ${couch.paper} }
      .first { background: ${desk.strip}; border-color: ${desk.line}; color: ${desk.accent} }
    </style>`;
  return {
    name: "first-paint",
    apply: "build",
    transformIndexHtml: {
      order: "post",
      handler: (html) =>
        html
          .replace(link, "")
          .replace("<title>", `${colours}\n${(html.match(link) ?? []).join("")}    <title>`),
    },
  };
}

// The built files land where the jar keeps static resources.
export default defineConfig({
  plugins: [react(), reloadWithServer(), serviceWorker(), firstPaint(), compressedAhead()],
  build: {
    outDir: "target/classes/META-INF/resources",
    emptyOutDir: true,
    target: "es2022",
  },
  server: { proxy: { "/api": process.env.IVESK_SERVER ?? "http://127.0.0.1:8740" } },
  test: {
    environment: "jsdom",
    include: ["src/**/*.test.{ts,tsx}"],
    css: { modules: { classNameStrategy: "non-scoped" } },
  },
});
