import fc from "fast-check";
import { anyNeed } from "@/core/find/need";
import { curatedShelves, type CuratedShelf, type SharedShelf } from "@/core/sharing/how-far";
import { GET as readList } from "@/app/(teacher)/satchel/list/route";
import { authorsNear } from "@/data/find/browse";
import { countBlank } from "@/data/find/counts";
import type { Db } from "@/data/engine/db";
import { offersFor } from "@/data/share/offers";
import { pack } from "@/data/satchel/satchel";
import { mayReadAll } from "@/data/find/search";
import { setShelfRules } from "@/data/share/sharing";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { versionsFor } from "../assign/resources-to-assign";
import { find, readAs } from "../find/find";
import { lightTable } from "../find/light-table";
import { actAs, answerFrom, visitorOf } from "../testing/as";
import { decideOffer, removeFromShelf } from "./desk-actions";
import { undoPlan } from "../plan/plan-actions";
import { shareResources, takeFromShelf } from "./share-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);

let db: Db;
let world: World;
let things: number[];
const titles = ["Anchors", "Buoys", "Cables"];

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
  await db.query("insert into person_role values ($1, 'curator', 'district')", [world.judit]);
  things = [];
  for (const title of titles)
    things.push(
      (await publishFor(db, world.ines, lesson(title, { grades: { from: 4, to: 4 }, topics: ["harbour"] }))).id,
    );
  // Everybody has them packed: what has left her shelves must be gone from her list all the same.
  for (const person of [world.teodor, world.judit, world.stranger])
    for (const thing of things) await pack(db, person, thing, new Date());
}, 60_000);
afterAll(() => db.close());

type Step =
  | { does: "share"; thing: number; shelf: SharedShelf; grade: number }
  | { does: "take off"; thing: number; shelf: SharedShelf }
  | { does: "accept" | "return" | "remove"; thing: number; shelf: CuratedShelf }
  | { does: "undo"; back: number }
  | { does: "rule"; rule: "everyone" | "curators" | "nobody" };

const thing = fc.nat(2);
const shelf = fc.constantFrom<SharedShelf>("staffroom", "district", "commons");
const beyond = fc.constantFrom<CuratedShelf>(...curatedShelves);
const anyStep: fc.Arbitrary<Step> = fc.oneof(
  fc.record({ does: fc.constant("share" as const), thing, shelf, grade: fc.nat(12) }),
  fc.record({ does: fc.constant("take off" as const), thing, shelf }),
  fc.record({ does: fc.constantFrom("accept" as const, "return" as const, "remove" as const), thing, shelf: beyond }),
  fc.record({ does: fc.constant("undo" as const), back: fc.nat(3) }),
  fc.record({ does: fc.constant("rule" as const), rule: fc.constantFrom("everyone", "curators", "nobody") }),
);

/** Who sees what is on which shelf, said as plainly as can be. */
const seesPlainly = (person: "teodor" | "judit" | "stranger", on: ReadonlySet<string>): boolean =>
  on.has("commons") || (person !== "stranger" && on.has("district")) || (person === "teodor" && on.has("staffroom"));

test("after any sequence of sharing, offering, deciding and undoing, everybody reaches just what stands on shelves open to her, and counts agree", async () => {
  const people = {
    teodor: { id: world.teodor, school: world.here, district: world.district },
    judit: { id: world.judit, school: world.there, district: world.district },
    stranger: { id: world.stranger, school: null, district: world.otherDistrict },
  };
  const ines = () => actAs(visitorOf({ id: world.ines, district: world.district, school: world.here }));
  const judit = () =>
    actAs(visitorOf({ id: world.judit, district: world.district, school: world.there }, { roles: ["curator"] }));
  const form = (at: number, to: SharedShelf, grade: number) => ({
    ...{ resources: [things[at]!], shelf: to, grades: [grade], subjects: ["art" as const] },
  });
  const offerOf = async (at: number, to: CuratedShelf) => {
    const found = (await offersFor(db, [things[at]!])).find((offer) => offer.shelf === to);
    return { offer: found?.id ?? 999_999, revision: found?.revision ?? 1 };
  };
  const decision = { grades: [4], subjects: ["science" as const], pins: [] };
  // Most of what is tried goes through: otherwise nothing would be tested.
  const went: Record<string, number> = {};
  await fc.assert(
    fc.asyncProperty(fc.array(anyStep, { minLength: 3, maxLength: 14 }), async (steps) => {
      const events: { by: () => void; event: number }[] = [];
      const did = (by: () => void, outcome: { ok: boolean; value?: { event?: number } }) => {
        if (!outcome.ok || outcome.value?.event === undefined) return;
        events.push({ by, event: outcome.value.event });
      };
      for (const step of steps) {
        const before = events.length;
        switch (step.does) {
          case "share":
            ines();
            did(ines, await shareResources(form(step.thing, step.shelf, step.grade)));
            break;
          case "take off":
            ines();
            did(ines, await takeFromShelf({ resources: [things[step.thing]!], shelf: step.shelf }));
            break;
          case "accept":
          case "return": {
            const how = {
              decision: step.does === "accept" ? ("accepted" as const) : ("returned" as const),
              note: "So.",
            };
            const offer = await offerOf(step.thing, step.shelf);
            judit();
            did(judit, await decideOffer({ ...offer, ...decision, ...how }));
            break;
          }
          case "remove":
            judit();
            did(judit, await removeFromShelf({ resource: things[step.thing]!, shelf: step.shelf, reason: "So." }));
            break;
          case "undo": {
            const last = events[events.length - 1 - step.back];
            last?.by();
            if (last) await undoPlan({ event: last.event });
            break;
          }
          case "rule":
            await setShelfRules(db, world.here, { district: step.rule, commons: step.rule });
        }
        if (events.length > before) went[step.does] = (went[step.does] ?? 0) + 1;
        const waiting = await db.query(
          "select 1 from offer where state = 'waiting' group by resource_id, shelf having count(*) > 1",
        );
        expect(waiting).toEqual([]);
      }
      const shelves = await db.query<{ id: number; shelf: string }>("select resource_id id, shelf from shelf_entry");
      for (const [name, person] of Object.entries(people)) {
        const seen = things.filter((id) =>
          seesPlainly(
            name as "teodor",
            new Set(shelves.filter((entry) => entry.id === id).map((entry) => entry.shelf)),
          ),
        );
        const reader = { ...person, satchel: [] };
        const { hits, counts } = await find(db, reader, anyNeed, { sort: "best", limit: 50 });
        expect([name, hits.map(({ id }) => id).sort()]).toEqual([name, seen]);
        expect(counts.total).toBe(seen.length);
        for (const id of things) expect(await mayReadAll(db, person, [id])).toBe(seen.includes(id));
        // Whatever else counts or lists them says the same: choices of blanks, the first page, versions, her export.
        const read = await readAs(db, reader, anyNeed);
        const ofInes = (await countBlank(db, reader, read, "author")).find(
          ({ value: id }) => id === String(world.ines),
        );
        expect([name, ofInes?.leaves ?? 0]).toEqual([name, seen.length]);
        const topic = (await countBlank(db, reader, read, "topic")).find(({ value: one }) => one === "harbour");
        expect([name, topic?.leaves ?? 0]).toEqual([name, seen.length]);
        const near = (await authorsNear(db, reader)).find(({ value: id }) => id === String(world.ines));
        expect(near?.resources ?? 0).toBe(name === "teodor" ? seen.length : 0);
        const { satchel: _none, ...visitor } = reader;
        for (const id of things) {
          const table = await lightTable(db, visitorOf(visitor), id, new Date());
          expect([name, id, table !== null]).toEqual([name, id, seen.includes(id)]);
          const shownKin = (await versionsFor(db, visitorOf(visitor), id)).map((one) => one.id);
          expect(shownKin.filter((kin) => !seen.includes(kin))).toEqual([]);
        }
        actAs(visitorOf(person));
        const list = await readList(new Request("http://satchel.example/satchel/list"), {
          params: Promise.resolve({}),
        });
        const text = await list.text();
        for (const [at, title] of titles.entries()) if (!seen.includes(things[at]!)) expect(text).not.toContain(title);
      }
    }),
    {
      numRuns: 25,
      // Whatever chance brings, each kind is tried once where it goes through.
      examples: [
        [
          [
            { does: "share", thing: 0, shelf: "staffroom", grade: 4 },
            { does: "share", thing: 0, shelf: "district", grade: 4 },
            { does: "accept", thing: 0, shelf: "district" },
            { does: "remove", thing: 0, shelf: "district" },
            { does: "take off", thing: 0, shelf: "staffroom" },
          ],
        ],
      ],
    },
  );
  for (const does of ["share", "take off", "accept", "remove"]) expect(went[does] ?? 0).toBeGreaterThan(0);
}, 120_000);
