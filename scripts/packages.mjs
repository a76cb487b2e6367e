// What ships with the application: every package may be used and passed on, and none has a weakness that is known.
import { spawnSync } from "node:child_process";
import { readFileSync } from "node:fs";
import path from "node:path";

/** Licences that let a school use and change it, and us pass it on as it is. */
const free = new Set([
  ...[
    "MIT",
    "MIT-0",
    "ISC",
    "0BSD",
    "BSD",
    "BSD-2-Clause",
    "BSD-3-Clause",
    "Apache-2.0",
    "BlueOak-1.0.0",
    "Python-2.0",
  ],
  ...["Zlib", "CC0-1.0", "CC-BY-4.0", "OFL-1.1", "MPL-2.0", "LGPL-3.0-or-later", "Unlicense"],
]);
/** What a package's own text says, where its description says nothing. */
const read = new Map([["png-js", "MIT"]]);

/** Whether an SPDX expression can be met: all of what is joined by AND, one of what is joined by OR. */
const isFree = (licence) =>
  licence
    .replaceAll(/[()]/g, "")
    .split(" OR ")
    .some((way) => way.split(" AND ").every((one) => free.has(one.trim())));

/** The packages that ship with a licence we cannot take, from package-lock.json. */
export function withoutLicence(lock) {
  return Object.entries(lock.packages)
    .filter(([where, { dev, devOptional }]) => where !== "" && !dev && !devOptional)
    .map(([where, { license }]) => ({ name: where.replace(/^.*node_modules\//, ""), license }))
    .map(({ name, license }) => ({ name, license: license ?? read.get(name) ?? "none" }))
    .filter(({ license }) => !isFree(license));
}

/** Looks at all of it, in the project's folder. @returns 0 when everything is as it should be, else 1 */
export function lookAtPackages(root) {
  const lock = JSON.parse(readFileSync(path.join(root, "package-lock.json"), "utf8"));
  const wrong = withoutLicence(lock);
  for (const { name, license } of wrong) console.error(`${name} has the licence ${license}.`);
  const { stdout } = spawnSync("npm", ["audit", "--omit=dev", "--json"], {
    cwd: root,
    encoding: "utf8",
    timeout: 60_000,
  });
  const found = readJson(stdout)?.metadata?.vulnerabilities;
  // Without a registry that answers this, a school can still build: what is known is asked where there is one.
  if (!found) console.log("Known weaknesses could not be asked for: no registry here answers that.");
  const grave = (found?.high ?? 0) + (found?.critical ?? 0);
  if (grave > 0) console.error(`${grave} grave weaknesses are known: npm audit --omit=dev`);
  return wrong.length === 0 && grave === 0 ? 0 : 1;
}

function readJson(text) {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
