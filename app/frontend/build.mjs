// Builds everything the browser loads into dist/: styles by Tailwind, scripts and fonts copied from the lock file's
// packages. Nothing is fetched when the application runs.
import { execFileSync } from "node:child_process";
import { cpSync, mkdirSync, rmSync } from "node:fs";

rmSync("dist", { recursive: true, force: true });
mkdirSync("dist/fonts", { recursive: true });
execFileSync("npx", ["@tailwindcss/cli", "-i", "src/ysometron.css", "-o", "dist/ysometron.css", "--minify"], {
  stdio: ["ignore", "ignore", "inherit"],
});
cpSync("node_modules/htmx.org/dist/htmx.min.js", "dist/htmx.min.js");
cpSync("src/ysometron.js", "dist/ysometron.js");
cpSync("src/curves.js", "dist/curves.js");
cpSync("src/line.js", "dist/line.js");
cpSync("src/mark.svg", "dist/mark.svg");
cpSync("node_modules/source-sans/WOFF2/VF/SourceSans3VF-Upright.otf.woff2", "dist/fonts/source-sans.woff2");
cpSync("node_modules/@fontsource/alegreya/files/alegreya-latin-500-normal.woff2", "dist/fonts/alegreya.woff2");
