// Whether the built application is newer than everything it was built from.
import { existsSync, readdirSync, statSync } from "node:fs";
import path from "node:path";
import { root } from "./installed.mjs";

const sources = ["src", "public", "package-lock.json", "next.config.ts", "postcss.config.mjs", "tsconfig.json"];

function newest(file) {
  const stat = statSync(file);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return Math.max(0, ...readdirSync(file).map((name) => newest(path.join(file, name))));
}

export function isBuilt() {
  const mark = path.join(root, ".next", "BUILD_ID");
  return (
    existsSync(mark) &&
    ["readers.mjs", "pdf.mjs"].every((part) => existsSync(path.join(root, "worker", "built", part))) &&
    statSync(mark).mtimeMs > Math.max(...sources.map((name) => newest(path.join(root, name))))
  );
}

export const nextProgram = path.join(root, "node_modules/next/dist/bin/next");
export const tsxProgram = path.join(root, "node_modules/tsx/dist/cli.mjs");
