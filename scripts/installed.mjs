// Installs what package-lock.json names, when it is not there or not the same. Plain Node: nothing is installed yet.
import { execFileSync } from "node:child_process";
import { existsSync, readFileSync } from "node:fs";
import path from "node:path";

export const root = path.resolve(import.meta.dirname, "..");
const npm = process.platform === "win32" ? "npm.cmd" : "npm";

export function installPackages() {
  const [wanted, present] = ["package-lock.json", "node_modules/.golden-satchel-lock"].map((file) =>
    path.join(root, file),
  );
  if (existsSync(present) && readFileSync(present, "utf8") === readFileSync(wanted, "utf8")) return;
  console.log("Installing packages …");
  execFileSync(npm, ["ci", "--no-audit", "--no-fund", "--loglevel=error"], { cwd: root, stdio: "inherit" });
  execFileSync(process.execPath, [
    "-e",
    `require("fs").copyFileSync(${JSON.stringify(wanted)}, ${JSON.stringify(present)})`,
  ]);
}
