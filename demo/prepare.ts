import { dataFolder, openDatabase } from "@/data/engine/open";
import { FolderInUse } from "@/data/engine/pglite";
import { addCourseSite } from "./course-site";
import { seed } from "./seed";

// Fills DATA_DIR (or DATABASE_URL) with the demo's world, once. Run by scripts/demo.mjs and by the browser tests.
const bulk = Number(process.env.DEMO_BULK ?? 5000);
try {
  const db = await openDatabase();
  const [{ people } = { people: 0 }] = await db.query<{ people: number }>("select count(*) people from person");
  if (people === 0) {
    const started = Date.now();
    await seed(db, { now: new Date(), bulk });
    const { COURSE_SITE: site, SATCHEL: satchel } = process.env;
    if (site && satchel) await addCourseSite(db, { folder: dataFolder(), site, satchel, now: new Date() });
    console.log(`Demo data is ready (${bulk} community lessons, ${Math.round((Date.now() - started) / 1000)} s).`);
  }
  await db.close();
  process.exit(0);
} catch (error) {
  console.error(error instanceof FolderInUse ? error.message : error);
  process.exit(1);
}
