import { anyNeed } from "@/core/find/need";
import { addOffers } from "@/data/share/offers";
import { migrate } from "@/data/engine/migrate";
import { one } from "@/data/engine/db";
import { addResource } from "@/data/adapt/resources";
import { entriesOf, setEntries, type ShelfEntry } from "@/data/share/sharing";
import type { Reader } from "@/data/find/reach";
import { deskList, deskOffer } from "@/server/share/desk";
import { find } from "@/server/find/find";
import { publish } from "@/server/adapt/publish";
import { gradeBits, sharingOf, subjectBits } from "@/server/share/share";
import type { Visitor } from "@/server/web/session";
import { addBulk } from "@demo/bulk/add";
import { bulkLesson } from "@demo/bulk/lessons";
import { SeededRandom } from "@demo/bulk/random";
import { documentOf } from "@demo/read";
import { emptyDatabase } from "./database";
import { percentile, printTable, readOptions } from "./table";

/** Sharing 40 things at once, taking them off again with the counts right at once, and the curators' desk with 500 offers. */
const { n, json } = readOptions({ n: [50_000] });
const ROUNDS = 30;
const THINGS = 40;
const OFFERS = 500;
const now = new Date();
const rows: Record<string, string | number>[] = [];

for (const count of n) {
  const { db, drop } = await emptyDatabase();
  await migrate(db);
  await addBulk(db, { count, seed: 1, now });
  const id = async (text: string, params: unknown[]) => (await one<{ id: number }>(db, text, params)).id;
  const district = await id("insert into district (name) values ('D') returning id", []);
  const school = await id("insert into school (district_id, name, time_zone) values ($1, 'S', 'UTC') returning id", [
    district,
  ]);
  const person = (name: string) =>
    id(
      `insert into person (district_id, school_id, kind, given_name, family_name, email) values ($1, $2, 'adult', $3, 'B', $3 || '@x.example') returning id`,
      [district, school, name],
    );
  const [author, curator] = [await person("author"), await person("curator")];
  const random = new SeededRandom(3);
  const things: { id: number; revision: number }[] = [];
  for (let nth = 0; nth < OFFERS; nth += 1) {
    const resource = await addResource(db, { district, owner: author, source: null, created: now });
    const document = documentOf(`b${nth}`, { ...bulkLesson(random), by: "" });
    things.push({ id: resource, revision: (await publish(db, { resource, document, author, now })).id });
  }
  await db.script("vacuum analyze");
  const visitor = (who: number): Visitor => ({
    ...{ id: who, kind: "adult", givenName: "A", familyName: "B", district, school, schoolName: "S", zone: "UTC" },
    ...{ locale: "en", country: "XS", roles: ["teacher", "curator"], joinedClass: null, joinedAt: null },
  });
  const reader: Reader = { id: curator, school, district, satchel: [] };
  const counted = async () =>
    (await find(db, reader, { ...anyNeed, shelf: "staffroom" }, { sort: "best", limit: 24 })).counts.total;
  const bits = { grades: gradeBits([4, 5]), subjects: subjectBits(["mathematics"]) };
  const ids = things.slice(0, THINGS).map((thing) => thing.id);
  const measure = async (
    what: string,
    wanted: number,
    work: () => Promise<unknown>,
    before?: () => Promise<unknown>,
  ) => {
    const took: number[] = [];
    for (let round = 0; round < ROUNDS; round += 1) {
      await before?.();
      const start = performance.now();
      await work();
      took.push(performance.now() - start);
    }
    rows.push({ case: `${what}, ${count}`, p95_ms: percentile(took, 95), wanted_ms: wanted });
  };
  const entries = ids.map((resource): ShelfEntry => ({
    ...{ resource, shelf: "staffroom", school, ...bits, by: author, at: now.toISOString() },
  }));
  const put = () =>
    db.transaction(async (tx) => {
      await sharingOf(tx, visitor(author), ids);
      await setEntries(tx, ids, [
        ...(await entriesOf(tx, ids)).filter(({ shelf }) => shelf !== "staffroom"),
        ...entries,
      ]);
    });
  const takeOff = () => db.transaction((tx) => setEntries(tx, ids, []));
  await measure(`share ${THINGS} things with grades and subjects`, 300, put, takeOff);
  if ((await counted()) !== THINGS) throw new Error("The counts are not right after sharing");
  await measure("withdraw them", 50, takeOff, put);
  if ((await counted()) !== 0) throw new Error("The counts are not right after withdrawing");
  // Everything she may see, counted anew: what was shared a moment ago is in it.
  await measure(
    "one person's reach over everything, its counts and first lines",
    40,
    () => find(db, reader, anyNeed, { sort: "best", limit: 24 }),
    put,
  );
  await addOffers(
    db,
    things.map(({ id: resource, revision }) => ({ resource, revision, shelf: "district" as const, ...bits })),
    { by: author, district, at: now },
  );
  const [first] = await deskList(db, visitor(curator), "waiting", now);
  await measure(`the desk with ${OFFERS} offers, its list and one of them`, 60, async () => {
    await deskList(db, visitor(curator), "waiting", now);
    await deskOffer(db, visitor(curator), first!.id);
  });
  await drop();
}
printTable(rows, json);
