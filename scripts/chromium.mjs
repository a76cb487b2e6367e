// Finds a Chromium for the browser tests, or installs Debian's package where that is allowed.
import { execFileSync, spawnSync } from "node:child_process";
import { existsSync } from "node:fs";

const usual = [
  "/usr/bin/chromium",
  "/usr/bin/chromium-browser",
  "/snap/bin/chromium",
  "/Applications/Chromium.app/Contents/MacOS/Chromium",
];

const found = () => {
  const named = process.env.CHROMIUM_PATH;
  if (named && !existsSync(named)) throw new Error(`CHROMIUM_PATH is ${named}, but there is nothing there.`);
  return named ?? usual.find((file) => existsSync(file));
};

export function findChromium() {
  const here = found();
  if (here) return here;
  const mayInstall = process.getuid?.() === 0 && spawnSync("apt-get", ["--version"]).status === 0;
  if (!mayInstall) {
    throw new Error(
      "The browser tests need Chromium. Install it (Debian: sudo apt-get install chromium) or set CHROMIUM_PATH to one.",
    );
  }
  console.log("Installing Chromium …");
  const environment = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
  execFileSync("apt-get", ["update", "-qq"], { stdio: "inherit", env: environment });
  execFileSync("apt-get", ["install", "-y", "-qq", "chromium"], {
    stdio: ["ignore", "ignore", "inherit"],
    env: environment,
  });
  return found();
}
