import { readFileSync } from "node:fs";
import path from "node:path";
import { withoutLicence } from "./packages.mjs";

const lockOf = (packages: Record<string, { license?: string; dev?: boolean }>) => ({ packages });
const names = (packages: Parameters<typeof lockOf>[0]) => withoutLicence(lockOf(packages)).map(({ name }) => name);

test("a package that ships must have a licence that lets it be passed on; a tool of ours need not", () => {
  expect(
    names({
      "": {},
      "node_modules/free": { license: "MIT" },
      "node_modules/closed": { license: "SEE LICENSE IN LICENSE.txt" },
      "node_modules/a/node_modules/silent": {},
      "node_modules/tool": { license: "GPL-3.0-only", dev: true },
    }),
  ).toEqual(["closed", "silent"]);
});

test("of several licences one is enough, of joined ones all are needed", () => {
  expect(
    names({
      "node_modules/either": { license: "(MIT OR GPL-3.0-or-later)" },
      "node_modules/both": { license: "Apache-2.0 AND GPL-3.0-only" },
    }),
  ).toEqual(["both"]);
});

test("what ships today may be passed on", () => {
  const lock = JSON.parse(readFileSync(path.join(__dirname, "../package-lock.json"), "utf8")) as ReturnType<
    typeof lockOf
  >;
  expect(Object.keys(lock.packages).length).toBeGreaterThan(500);
  expect(withoutLicence(lock)).toEqual([]);
});
