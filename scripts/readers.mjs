// Finds the programs of others that read our files back, or installs Debian's packages where that is allowed.
import { spawnSync } from "node:child_process";
import { installPackage, mayInstall } from "./debian.mjs";

/** What is asked for, and the package it comes in. */
const programs = [
  ["xmllint", "libxml2-utils"],
  ["pandoc", "pandoc"],
  ["epubcheck", "epubcheck"],
  ["pdfunite", "poppler-utils"],
];

function find(wanted, what) {
  for (const [program, name] of wanted) {
    if (spawnSync("which", [program]).status === 0) continue;
    if (!mayInstall())
      throw new Error(`The checks of ${what} need ${program}. Install it (Debian: sudo apt-get install ${name}).`);
    installPackage(name);
  }
}

export const findReaders = () => find(programs, "formats");

/** A scanner for holes in web applications. */
export const findScanner = () => find([["wapiti", "wapiti"]], "security");
