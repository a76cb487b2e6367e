import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { expect, test } from "./fixture";

/**
 * A scanner of others looks for holes: signed in as a teacher and as a child, and as nobody. Only in `npm run check -- --scan`: it takes some
 * minutes. What it looks for needs no service outside.
 */
const CRAWL_SECONDS = 60;
/** For each of the modules. */
const ATTACK_SECONDS = 15;
const modules = [
  ...["backup", "cookieflags", "crlf", "csp", "csrf", "exec", "file", "htaccess", "http_headers", "methods"],
  ...["permanentxss", "redirect", "shellshock", "sql", "blindsql", "xss"],
];

interface Report {
  vulnerabilities: Record<string, { path: string; parameter: string; info: string }[]>;
}

test.describe.configure({ timeout: (CRAWL_SECONDS + modules.length * ATTACK_SECONDS + 120) * 1000 });

/** How many pages and forms the scanner has found; what ships with a page is none. It keeps them in a database of its own, as it is written in Python. */
function pagesSeen(folder: string): number {
  const count = "select count(*) from paths where path not like '%/_next/%'";
  const program = `import sqlite3, glob; print(sqlite3.connect(glob.glob("*.db")[0]).execute("${count}").fetchone()[0])`;
  return Number(spawnSync("python3", ["-c", program], { cwd: folder, encoding: "utf8" }).stdout);
}

for (const [who, start, least] of [
  ["Ines Halloran", "/find", 40],
  ["Sunniva Dale", "/student", 10],
  [null, "/sign-in", 3],
] as const)
  test(`a scanner finds nothing as ${who ?? "nobody"}`, async ({ signedIn, page, address }) => {
    const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-scan-"));
    const report = path.join(folder, "report.json");
    try {
      const cookies = await (who ? await signedIn(who) : page).context().cookies();
      const said = cookies.map(({ name, value }) => `${name}=${value}`).join("; ");
      const { status, stderr } = spawnSync(
        "wapiti",
        [
          ...["-u", address + start, "--scope", "domain", "-d", "4", "--max-links-per-page", "60"],
          ...["-m", modules.join(","), "--max-scan-time", String(CRAWL_SECONDS), "-t", "20"],
          ...["--max-attack-time", String(ATTACK_SECONDS)],
          ...(said ? ["-H", `Cookie: ${said}`] : []),
          ...["-f", "json", "-o", report, "--flush-session", "--store-session", folder, "--no-bugreport", "-v", "0"],
        ],
        { encoding: "utf8" },
      );
      expect(status, stderr).toBe(0);
      // It has gone round, and not only stood before the door.
      expect(pagesSeen(folder)).toBeGreaterThanOrEqual(least);
      // The one is no longer used by any browser; the other is sent where there is TLS, and here is none.
      const elsewhere = /X-XSS-Protection is not set|Strict-Transport-Security is not set/;
      const { vulnerabilities } = JSON.parse(readFileSync(report, "utf8")) as Report;
      const found = Object.entries(vulnerabilities).flatMap(([kind, all]) =>
        all
          .filter(({ info }) => !elsewhere.test(info))
          .map(({ path: at, parameter, info }) => `${kind}: ${at} ${parameter}: ${info}`),
      );
      expect(found).toEqual([]);
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  });
