// Finds a Chromium for the browser tests, or installs Debian's package where that is allowed.
import { existsSync } from "node:fs";
import { installPackage, mayInstall } from "./debian.mjs";

// The one without windows comes first: it renders the same, and takes a third less processor time.
const usual = [
  "/usr/bin/chromium-headless-shell",
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

/** Where Chromium is. @throws Error where there is none and it may not be installed, or cannot be */
export function findChromium() {
  const here = found();
  if (here) return here;
  if (!mayInstall()) {
    throw new Error(
      "The browser tests need Chromium. Install it (Debian: sudo apt-get install chromium-headless-shell) or set CHROMIUM_PATH to one.",
    );
  }
  try {
    installPackage("chromium-headless-shell");
  } catch {
    // Older systems have only the one with windows.
    installPackage("chromium");
  }
  return found();
}
