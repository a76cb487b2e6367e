import { mkdirSync, mkdtempSync, rmSync, utimesSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { isBuilt, parts } from "./built.mjs";
import { isInstalled } from "./installed.mjs";

const sources = [
  "src/page.tsx",
  "public/icon.svg",
  "package-lock.json",
  "next.config.ts",
  "postcss.config.mjs",
  "tsconfig.json",
];
let folder: string;
const write = (name: string, at: number) => {
  const file = path.join(folder, name);
  mkdirSync(path.dirname(file), { recursive: true });
  writeFileSync(file, "");
  utimesSync(file, at, at);
};

beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), "built-"));
  for (const name of sources) write(name, 1000);
  for (const part of parts) write(part, 1500);
  write(".next/BUILD_ID", 2000);
});
afterEach(() => rmSync(folder, { recursive: true }));

test("what was built of everything that is there is not built again when it is started", () => {
  expect(isBuilt(folder)).toBe(true);
});

test("without one of its parts, or where something is newer, it is built", () => {
  rmSync(path.join(folder, parts[1]!));
  expect(isBuilt(folder)).toBe(false);
  write(parts[1]!, 1500);
  expect(isBuilt(folder)).toBe(true);
  write("src/page.tsx", 3000);
  expect(isBuilt(folder)).toBe(false);
});

test("nothing was built yet", () => {
  rmSync(path.join(folder, ".next"), { recursive: true });
  expect(isBuilt(folder)).toBe(false);
});

test("packages are installed once: by us, as noted, or by npm since the list was written", () => {
  expect(isInstalled(folder)).toBe(false);
  write("node_modules/.package-lock.json", 1001);
  expect(isInstalled(folder)).toBe(true);
  write("package-lock.json", 1002);
  expect(isInstalled(folder)).toBe(false);
  write("node_modules/.golden-satchel-lock", 1003);
  expect(isInstalled(folder)).toBe(true);
});
