import type { Db } from "@/data/engine/db";
import { directoryOf, setDirectory, type Directory } from "@/data/office/directory";
import { freshDatabase } from "@/data/testing/database";
import { now, smallWorld, type World } from "@/data/testing/world";
import { directoryClient } from "../../../stand-ins/other-school-system/directory";
import { simulatedSite } from "../testing/simulated-site";
import { NoAnswer } from "../web/ask-elsewhere";
import { fetchRoster } from "./directory";
import { bringInRoster, lookAtRoster } from "./school-roster";

let db: Db;
let world: World;
let site: Awaited<ReturnType<typeof simulatedSite>>;
let directory: Directory;

// As in the demo, where the directory runs on this machine.
process.env.DEMO = "1";
afterAll(() => void delete process.env.DEMO);

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  site = await simulatedSite(db, world);
  const { id: clientId, secret: clientSecret } = directoryClient;
  const address = `${site.address}/directory/ims/oneroster/rostering/v1p2`;
  await setDirectory(db, world.here, {
    ...{ address, tokenUrl: `${site.address}/directory/token`, clientId, clientSecret },
  });
  directory = (await directoryOf(db, world.here))!;
}, 60_000);
afterAll(async () => {
  await site.stop();
  await db.close();
});

const to = () => ({ district: world.district, school: world.here, year: 2026 });

test("the roster comes from the directory, every page of it, and is brought in as a file would be", async () => {
  const { people, courses } = site.store.state;
  // More than a page of them.
  for (let at = 0; at < 600; at += 1) {
    people.push({
      ...{ id: `n-${at}`, given: `New ${at}`, family: "Child", email: "", role: "student", sourcedId: `n-${at}` },
    });
    courses[0]!.members.push(`n-${at}`);
  }
  const read = await fetchRoster(directory, null);
  expect(read.kind).toBe("OneRoster 1.2, from the directory");
  expect(read.roster.students).toHaveLength(600 + world.students.length);
  expect(read.roster.classes.map(({ name }) => name)).toEqual(["5 Kittiwake"]);
  const effect = await lookAtRoster(db, world.here, read);
  expect(effect).toMatchObject({ added: 600, problems: [] });
  await bringInRoster(db, to(), read, { by: world.ines, at: now });
  expect(await lookAtRoster(db, world.here, await fetchRoster(directory, null))).toMatchObject({ nothing: true });
});

test("a child who is not in the directory any more leaves the class", async () => {
  const [course] = site.store.state.courses;
  course!.members = course!.members.filter((id) => id !== "n-0");
  expect(await lookAtRoster(db, world.here, await fetchRoster(directory, null))).toMatchObject({ left: 1, added: 0 });
});

test("a wrong secret, and a directory that is not there, are said in words", async () => {
  await expect(fetchRoster({ ...directory, clientSecret: "guessed" }, null)).rejects.toThrow(
    new NoAnswer("The other system refused (401)."),
  );
  const away = { ...directory, address: `${site.address}/nowhere` };
  await expect(fetchRoster(away, null)).rejects.toThrow("What the directory says of its orgs cannot be read.");
  const plain = { ...directory, tokenUrl: "http://directory.example/token" };
  await expect(fetchRoster(plain, null)).rejects.toThrow("must begin with https://");
});

test("saving the directory again keeps its secret where none is typed, and forgets which school it was at another address", async () => {
  await setDirectory(db, world.here, { ...directory, clientSecret: "" });
  expect(await directoryOf(db, world.here)).toMatchObject({ clientSecret: directoryClient.secret });
  expect(await directoryOf(db, world.there)).toBeUndefined();
});
