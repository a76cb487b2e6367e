// A PostgreSQL server of its own for the tests: Debian's, installed where that is allowed, in a temporary folder.
import { execFileSync } from "node:child_process";
import { chmodSync, existsSync, mkdtempSync, readdirSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { installPackage, mayInstall } from "./debian.mjs";

const debians = "/usr/lib/postgresql";

/** The folder of the newest server's programs, or undefined. */
const found = () =>
  existsSync(debians)
    ? readdirSync(debians)
        .sort((one, other) => Number(other) - Number(one))
        .map((version) => path.join(debians, version, "bin"))
        .find((folder) => existsSync(path.join(folder, "initdb")))
    : undefined;

function programs() {
  if (!found()) {
    if (!mayInstall())
      throw new Error(
        "The tests also run on PostgreSQL. Install its server (Debian: sudo apt-get install postgresql).",
      );
    installPackage("postgresql");
  }
  return found();
}

/**
 * Starts a server on `port` that nobody outside this machine reaches and that writes nothing to the disk in earnest.
 * `more`: further settings for it. Gives back its address, and what stops it and takes its folder away.
 */
export function startPostgres(port, more = "") {
  const bin = programs();
  const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-postgres-"));
  chmodSync(folder, 0o777);
  const data = path.join(folder, "data");
  // PostgreSQL refuses to run as root: Debian's user of its name does it then.
  const as = (program, args) => {
    const [file, all] =
      process.getuid?.() === 0
        ? ["setpriv", ["--reuid=postgres", "--regid=postgres", "--clear-groups", path.join(bin, program), ...args]]
        : [path.join(bin, program), args];
    return execFileSync(file, all, { cwd: folder, stdio: ["ignore", "ignore", "inherit"] });
  };
  as("initdb", ["-D", data, "-U", "satchel", "-A", "trust", "-E", "UTF8", "--locale=C.UTF-8", "--no-sync"]);
  const settings = `-p ${port} -k ${folder} -c fsync=off -c full_page_writes=off -c synchronous_commit=off -c max_connections=200 ${more}`;
  as("pg_ctl", ["-D", data, "-w", "-l", path.join(folder, "log"), "-o", settings, "start"]);
  return {
    url: `postgresql://satchel@127.0.0.1:${port}/postgres`,
    stop() {
      as("pg_ctl", ["-D", data, "-m", "immediate", "stop"]);
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
