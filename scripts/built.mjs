// Whether the built application is newer than everything it was built from.
import { existsSync, readdirSync, statSync } from "node:fs";
import path from "node:path";
import { root } from "./installed.mjs";

/** Parts that are bundled by themselves, each as one file: build-parts.mjs makes them. */
export const parts = ["readers.mjs", "slow-readers.mjs", "papers.mjs", "checker.js"].map((name) =>
  path.join("worker", "built", name),
);

const sources = ["src", "public", "package-lock.json", "next.config.ts", "postcss.config.mjs", "tsconfig.json"];

function newest(file) {
  const stat = statSync(file);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return Math.max(0, ...readdirSync(file).map((name) => newest(path.join(file, name))));
}

export function isBuilt(folder = root) {
  const mark = path.join(folder, ".next", "BUILD_ID");
  return (
    existsSync(mark) &&
    parts.every((part) => existsSync(path.join(folder, part))) &&
    statSync(mark).mtimeMs > Math.max(...sources.map((name) => newest(path.join(folder, name))))
  );
}

export const nextProgram = path.join(root, "node_modules/next/dist/bin/next");
export const tsxProgram = path.join(root, "node_modules/tsx/dist/cli.mjs");
