// Finds a Chromium for the browser tests, or installs Debian's package where that is allowed.
import { existsSync } from "node:fs";
import { installPackage, mayInstall } from "./debian.mjs";

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
  if (!mayInstall()) {
    throw new Error(
      "The browser tests need Chromium. Install it (Debian: sudo apt-get install chromium) or set CHROMIUM_PATH to one.",
    );
  }
  installPackage("chromium");
  return found();
}
