// A PostgreSQL server of its own for the tests: Debian's, installed where that is allowed, in a temporary folder.
import { execFileSync } from "node:child_process";
import { chmodSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
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

// PostgreSQL and its pooler refuse to run as root: Debian's user of its name does it then.
function run(folder, program, args) {
  const [file, all] =
    process.getuid?.() === 0
      ? ["setpriv", ["--reuid=postgres", "--regid=postgres", "--clear-groups", program, ...args]]
      : [program, args];
  return execFileSync(file, all, { cwd: folder, stdio: ["ignore", "ignore", "inherit"] });
}

function newFolder() {
  const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-postgres-"));
  chmodSync(folder, 0o777);
  return folder;
}

const unsafe = "-c fsync=off -c full_page_writes=off -c max_connections=200";

/** A server on `port` whose folder `fill` makes. */
function startServer(port, more, fill) {
  const bin = programs();
  const folder = newFolder();
  const data = path.join(folder, "data");
  const as = (program, args) => run(folder, path.join(bin, program), args);
  fill(as, data);
  const settings = `-p ${port} -k ${folder} ${unsafe} ${more}`;
  const start = () => as("pg_ctl", ["-D", data, "-w", "-l", path.join(folder, "log"), "-o", settings, "start"]);
  start();
  return {
    url: `postgresql://satchel@127.0.0.1:${port}/postgres`,
    port,
    start,
    /** Stops it as a power cut does; its folder stays. */
    kill: () => as("pg_ctl", ["-D", data, "-m", "immediate", "stop"]),
    /** A replica becomes a server of its own. */
    promote: () => as("pg_ctl", ["-D", data, "-w", "promote"]),
    stop() {
      try {
        as("pg_ctl", ["-D", data, "-m", "immediate", "stop"]);
      } catch {
        // It was stopped already.
      }
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/**
 * Starts a server on `port` that nobody outside this machine reaches and that writes nothing to the disk in earnest.
 * `more`: further settings for it. Gives back its address, and what stops it and takes its folder away.
 */
export const startPostgres = (port, more = "") =>
  startServer(port, `-c synchronous_commit=off ${more}`, (as, data) =>
    as("initdb", ["-D", data, "-U", "satchel", "-A", "trust", "-E", "UTF8", "--locale=C.UTF-8", "--no-sync"]),
  );

/** A streaming replica of a server that was started here. */
export const startStandby = (primary, port) =>
  startServer(port, "-c hot_standby=on", (as, data) =>
    as("pg_basebackup", ["-d", primary.url, "-D", data, "-R", "-X", "stream", "-c", "fast", "--no-sync"]),
  );

/**
 * PgBouncer before a server. In the mode "transaction" it hands out a connection for one transaction and no longer, in "session" until who
 * has it goes. `pointTo` sends those who come to another server.
 */
export function startPooler(port, to, mode = "transaction") {
  const program = "/usr/sbin/pgbouncer";
  if (!existsSync(program)) {
    if (!mayInstall())
      throw new Error("The tests also run behind a pooler. Install it (Debian: sudo apt-get install pgbouncer).");
    installPackage("pgbouncer");
  }
  const folder = newFolder();
  const file = path.join(folder, "pooler.ini");
  const write = (server) =>
    writeFileSync(
      file,
      `[databases]
postgres = host=127.0.0.1 port=${server.port} dbname=postgres user=satchel
[pgbouncer]
listen_addr = 127.0.0.1
listen_port = ${port}
unix_socket_dir =
auth_type = any
pool_mode = ${mode}
default_pool_size = 5
ignore_startup_parameters = extra_float_digits,options
server_login_retry = 1
admin_users = satchel
pidfile = ${path.join(folder, "pid")}
logfile = ${path.join(folder, "log")}
`,
    );
  const signal = (name) => process.kill(Number(readFileSync(path.join(folder, "pid"), "utf8")), name);
  write(to);
  run(folder, program, ["-d", file]);
  return {
    url: `postgresql://satchel@127.0.0.1:${port}/postgres`,
    pointTo(server) {
      write(server);
      signal("SIGHUP");
    },
    stop() {
      signal("SIGTERM");
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
