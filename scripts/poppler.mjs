// Finds poppler, which reads PDFs back in tests, or installs Debian's package where that is allowed.
import { spawnSync } from "node:child_process";
import { installPackage, mayInstall } from "./debian.mjs";

const isThere = () => ["pdftotext", "pdfinfo"].every((tool) => spawnSync(tool, ["-v"]).status === 0);

export function findPoppler() {
  if (isThere()) return;
  if (!mayInstall())
    throw new Error("Tests read PDFs with poppler. Install it (Debian: sudo apt-get install poppler-utils).");
  installPackage("poppler-utils");
}
