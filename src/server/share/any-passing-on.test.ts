import fc from "fast-check";
import type { Db } from "@/data/engine/db";
import { mayReadAll } from "@/data/find/search";
import { givenOf, givenTo } from "@/data/share/shares";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { addPocket } from "@/data/satchel/pockets";
import { addTeam, setMembers, setPart, teamsOf } from "@/data/share/teams";
import { openLink } from "./link";
import { actAs, answerFrom, value, visitorOf } from "../testing/as";
import { giveToColleagues, takeBackGiven } from "./give-actions";
import { keepTogether, putIntoPocket, takeOutOfPocket } from "../satchel/pockets-actions";
import { endLink, lookAtLinks, makeLink, takeFromLink } from "./link-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/headers", () => ({ headers: async () => new Headers({ host: "satchel.example" }) }));

let db: Db;
let world: World;
let things: number[];

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
  things = [];
  for (const title of ["Anchors", "Buoys"]) things.push((await publishFor(db, world.ines, lesson(title))).id);
}, 60_000);
afterAll(() => db.close());

const names = ["teodor", "judit", "stranger"] as const;
type Name = (typeof names)[number];
type Way = "look" | "copy";
type Step =
  | { does: "give"; thing: number; to: "teodor" | "judit"; way: Way }
  | { does: "take back"; thing: number; from: Name }
  | { does: "link"; thing: number; way: Way }
  | { does: "take"; link: number; by: Name }
  | { does: "end" | "pass"; link: number }
  | { does: "ready" | "not ready" | "put in" | "take out"; thing: number }
  | { does: "keep" | "stop keeping"; who: "teodor" | "judit" }
  | { does: "join" | "leave"; who: "teodor" | "judit" | "ines" };

const thing = fc.nat(1);
const way = fc.constantFrom<Way>("look", "copy");
const anyStep: fc.Arbitrary<Step> = fc.oneof(
  fc.record({
    does: fc.constant("give" as const),
    thing,
    to: fc.constantFrom("teodor" as const, "judit" as const),
    way,
  }),
  fc.record({ does: fc.constant("take back" as const), thing, from: fc.constantFrom(...names) }),
  fc.record({ does: fc.constant("link" as const), thing, way }),
  fc.record({ does: fc.constant("take" as const), link: fc.nat(3), by: fc.constantFrom(...names) }),
  fc.record({ does: fc.constantFrom("end" as const, "pass" as const), link: fc.nat(3) }),
  fc.record({ does: fc.constantFrom("ready" as const, "not ready" as const), thing }),
  fc.record({ does: fc.constantFrom("put in" as const, "take out" as const), thing }),
  fc.record({
    does: fc.constantFrom("keep" as const, "stop keeping" as const),
    who: fc.constantFrom("teodor" as const, "judit" as const),
  }),
  fc.record({
    does: fc.constantFrom("join" as const, "leave" as const),
    who: fc.constantFrom("teodor" as const, "judit" as const, "ines" as const),
  }),
);

/** What is given, linked and ready, said as plainly as can be. */
interface Plain {
  given: Map<string, { way: Way; link: number | null }>;
  links: { thing: number; way: Way; lives: boolean; token: string; id: number }[];
  ready: Set<number>;
  team: Set<string>;
  pocket: Set<number>;
  keepers: Set<"teodor" | "judit">;
}
const seenBy = (plain: Plain, name: Name, nth: number, way: Way): boolean => {
  const held = plain.given.get(`${name} ${nth}`);
  const holds =
    held && (held.link === null || plain.links[held.link]!.lives) && (way === "look" || held.way === "copy");
  const together = plain.pocket.has(nth) && plain.keepers.has(name as "teodor");
  return Boolean(holds) || together || (plain.ready.has(nth) && plain.team.has(name) && plain.team.has("ines"));
};

test("after any sequence of giving, linking, ending, keeping a pocket and working in a team, everybody sees and copies just what she was let", async () => {
  const people = {
    teodor: { id: world.teodor, school: world.here, district: world.district },
    judit: { id: world.judit, school: world.there, district: world.district },
    stranger: { id: world.stranger, school: null, district: world.otherDistrict },
  };
  const ines = () => actAs(visitorOf({ id: world.ines, district: world.district, school: world.here }));
  await fc.assert(
    fc.asyncProperty(fc.array(anyStep, { minLength: 3, maxLength: 16 }), async (steps) => {
      await db.query("delete from share");
      await db.query("delete from link");
      await db.query("delete from team");
      await db.query("delete from pocket");
      const pocket = (await addPocket(db, world.ines, "Kept together")).id;
      const made = { district: world.district, name: "T", lines: ["Part"], at: new Date() };
      const team = await addTeam(db, { ...made, people: [world.ines, world.teodor] });
      const line = (await teamsOf(db, world.ines))[0]!.lines[0]!.id;
      const plain: Plain = {
        given: new Map(),
        links: [],
        ready: new Set(),
        team: new Set(["ines", "teodor"]),
        pocket: new Set(),
        keepers: new Set(),
      };
      const week = (nth: number) => ["2026-11-30", "2026-12-07"][nth]!;
      for (const step of steps) {
        ines();
        switch (step.does) {
          case "give": {
            const to = people[step.to].id;
            const outcome = await giveToColleagues({ resources: [things[step.thing]!], people: [to], way: step.way });
            const key = `${step.to} ${step.thing}`;
            const before = plain.given.get(key);
            const news = !before || before.link !== null || before.way !== step.way;
            expect(outcome.ok).toBe(news);
            plain.given.set(key, { way: step.way, link: null });
            break;
          }
          case "take back": {
            const person = people[step.from].id;
            const found = (await givenOf(db, [things[step.thing]!])).find((one) => one.person === person);
            if (!found) break;
            value(await takeBackGiven({ resources: [things[step.thing]!], shares: [found.id] }));
            plain.given.delete(`${step.from} ${step.thing}`);
            break;
          }
          case "link": {
            const resources = [things[step.thing]!];
            const form = { resources, name: "L", way: step.way, teacherPart: true, until: null };
            const { address } = value(await makeLink(form));
            const [newest] = value(await lookAtLinks({ resources }));
            const token = address.split("/").at(-1)!;
            plain.links.push({ thing: step.thing, way: step.way, lives: true, token, id: newest!.id });
            break;
          }
          case "take": {
            const link = plain.links[step.link];
            if (!link) break;
            const copied = seenBy(plain, step.by, link.thing, "copy");
            actAs(visitorOf(people[step.by]));
            const outcome = await takeFromLink({ token: link.token, resource: things[link.thing]! });
            expect(outcome.ok).toBe(link.lives);
            const key = `${step.by} ${link.thing}`;
            const before = plain.given.get(key);
            if (link.lives && !copied && (!before || before.link !== null))
              plain.given.set(key, { way: link.way, link: step.link });
            break;
          }
          case "end":
          case "pass": {
            const link = plain.links[step.link];
            if (!link?.lives) break;
            if (step.does === "end") value(await endLink({ link: link.id }));
            else await db.query("update link set until = now() - interval '1 second' where id = $1", [link.id]);
            link.lives = false;
            break;
          }
          case "put in":
            value(await putIntoPocket({ pocket, resources: [things[step.thing]!] }));
            plain.pocket.add(step.thing);
            break;
          case "take out":
            expect((await takeOutOfPocket({ pocket, ids: [things[step.thing]!] })).ok).toBe(
              plain.pocket.has(step.thing),
            );
            plain.pocket.delete(step.thing);
            break;
          case "keep":
          case "stop keeping": {
            const bare = () => [...plain.keepers].map((name) => ({ id: people[name].id, may: "look" as const }));
            const was = bare();
            if (step.does === "keep") plain.keepers.add(step.who);
            else plain.keepers.delete(step.who);
            value(await keepTogether({ pocket, was, people: bare() }));
            break;
          }
          case "ready":
          case "not ready": {
            const ready = step.does === "ready";
            const resource = ready ? things[step.thing]! : null;
            await setPart(db, { line, week: week(step.thing), maker: null, begun: false, resource });
            if (ready) plain.ready.add(step.thing);
            else plain.ready.delete(step.thing);
            break;
          }
          case "join":
          case "leave": {
            if (step.does === "join") plain.team.add(step.who);
            else plain.team.delete(step.who);
            const ids = { ines: world.ines, teodor: world.teodor, judit: world.judit };
            await setMembers(
              db,
              team,
              [...plain.team].map((name) => ids[name as "ines"]),
            );
          }
        }
      }
      for (const name of names) {
        for (const [nth, id] of things.entries()) {
          const [sees, copies] = [seenBy(plain, name, nth, "look"), seenBy(plain, name, nth, "copy")];
          expect([name, nth, await mayReadAll(db, people[name], [id])]).toEqual([name, nth, sees]);
          expect([name, nth, await mayReadAll(db, people[name], [id], "copy")]).toEqual([name, nth, copies]);
        }
        const listed = (await givenTo(db, people[name].id)).map(({ resource }) => resource).sort();
        const held = things.filter((_, nth) => {
          const one = plain.given.get(`${name} ${nth}`);
          return one && (one.link === null || plain.links[one.link]!.lives);
        });
        expect([name, listed]).toEqual([name, held]);
      }
      for (const link of plain.links) expect((await openLink(db, link.token)) !== null).toBe(link.lives);
    }),
    { numRuns: 40 },
  );
}, 120_000);
