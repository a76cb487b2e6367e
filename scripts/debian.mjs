// Installs a package of Debian's, where that is allowed.
import { execFileSync, spawnSync } from "node:child_process";

export const mayInstall = () => process.getuid?.() === 0 && spawnSync("apt-get", ["--version"]).status === 0;

export function installPackage(name) {
  console.log(`Installing ${name} …`);
  const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
  execFileSync("apt-get", ["update", "-qq"], { stdio: "inherit", env });
  execFileSync("apt-get", ["install", "-y", "-qq", name], { stdio: ["ignore", "ignore", "inherit"], env });
}
