import { mkdtempSync, readdirSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { resultTable } from "@/core/results/table";
import { migrationsIn } from "@/data/engine/migrate";
import { EmbeddedDb } from "@/data/engine/pglite";
import { migrationsOf } from "@/data/keep/tables";
import { satchelOf } from "@/data/satchel/satchel";
import { workOf } from "@/data/results/work-of-class";
import { anyNeed } from "@/core/find/need";
import { find } from "../find/find";
import { restoreBackup } from "./restore";
import { verify } from "./verify";

const releases = path.join(__dirname, "testing");
const files = readdirSync(releases).filter((name) => name.endsWith(".tar.gz"));
const folder = mkdtempSync(path.join(tmpdir(), "upgrade-"));
beforeAll(() => void (process.env.DATA_DIR = folder));
afterAll(() => {
  delete process.env.DATA_DIR;
  rmSync(folder, { recursive: true, force: true });
});

test("there are schools of more than one release", () => {
  expect(files.length).toBeGreaterThan(1);
});

test.each(files)(
  "the school of %s is brought up to date with everything in it, and can be worked with",
  async (name) => {
    const db = await EmbeddedDb.open();
    try {
      const counts = await restoreBackup(db, path.join(releases, name), undefined);
      expect(counts.tables.migration).toBe(Number(/\d+/.exec(name)![0]));
      expect(await migrationsOf(db)).toEqual(migrationsIn());
      // What children had chosen as theirs became pieces of a portfolio with migration 53.
      const became: Record<string, string> = { mine: "portfolio_piece" };
      for (const [before, rows] of Object.entries(counts.tables)) {
        if (before === "migration") continue;
        const table = became[before] ?? before;
        const [now] = await db.query<{ rows: number }>(`select count(*)::int rows from "${table}"`);
        expect([table, now!.rows]).toEqual([table, rows]);
      }
      expect((await verify(db)).wrong).toEqual([]);

      const [ines] = await db.query<{ id: number; district: number; school: number }>(
        "select id, district_id district, school_id school from person where family_name = 'Halloran'",
      );
      expect((await satchelOf(db, ines!)).length).toBeGreaterThan(10);
      const found = await find(
        db,
        { ...ines!, satchel: [] },
        { ...anyNeed, words: "tide" },
        { sort: "best", limit: 24 },
      );
      expect(found.hits.length).toBeGreaterThan(3);
      const [most] = await db.query<{ id: number }>(
        "select r.assignment_id id from attempt a join recipient r on r.id = a.recipient_id group by 1 order by count(*) desc limit 1",
      );
      const table = resultTable(await workOf(db, most!.id), "best");
      expect(table.rows.filter(({ marks }) => marks > 0).length).toBeGreaterThan(5);
    } finally {
      await db.close();
    }
  },
  120_000,
);
