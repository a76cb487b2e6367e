// Installs what package-lock.json names, when it is not there or not the same. Plain Node: nothing is installed yet.
import { execFileSync } from "node:child_process";
import { existsSync, readFileSync, statSync } from "node:fs";
import path from "node:path";

export const root = path.resolve(import.meta.dirname, "..");
const npm = process.platform === "win32" ? "npm.cmd" : "npm";

/** Whether what package-lock.json names is there: by our own note, or because npm has installed since it was written. */
export function isInstalled(folder = root) {
  const [wanted, noted, byNpm] = [
    "package-lock.json",
    "node_modules/.golden-satchel-lock",
    "node_modules/.package-lock.json",
  ].map((file) => path.join(folder, file));
  if (existsSync(noted) && readFileSync(noted, "utf8") === readFileSync(wanted, "utf8")) return true;
  return existsSync(byNpm) && statSync(byNpm).mtimeMs > statSync(wanted).mtimeMs;
}

/** What is only for building comes too, whatever NODE_ENV says: it is built here. */
export function installPackages() {
  if (isInstalled()) return;
  const [wanted, noted] = ["package-lock.json", "node_modules/.golden-satchel-lock"].map((file) =>
    path.join(root, file),
  );
  console.log("Installing packages …");
  execFileSync(npm, ["ci", "--include=dev", "--no-audit", "--no-fund", "--loglevel=error"], {
    cwd: root,
    stdio: "inherit",
  });
  execFileSync(process.execPath, [
    "-e",
    `require("fs").copyFileSync(${JSON.stringify(wanted)}, ${JSON.stringify(noted)})`,
  ]);
}
