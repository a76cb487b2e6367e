import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import type { Db } from "@/data/engine/db";
import { linkCourse, courseOfClass, noteCourse, personFrom, systemsAt, type OtherSystem } from "@/data/lti/systems";
import { beginChoice } from "@/data/lti/logins";
import { waitingMarks } from "@/data/lti/handed-over";
import { addResponses, handIn, openAttempt, ownAssignment } from "@/data/student/work";
import { allQuestions } from "@/core/resource/document";
import { addPocket, putIntoPocket } from "@/data/satchel/pockets";
import { freshDatabase } from "@/data/testing/database";
import { giveInLesson, lesson, now, publishFor, smallWorld, type World } from "@/data/testing/world";
import type { Store } from "../../../stand-ins/other-school-system/state";
import { visitorOf } from "../testing/as";
import { pressAt, simulatedSite } from "../testing/simulated-site";
import { tokenHash } from "../web/secrets";
import { returnChoice } from "./choose";
import { beginComingIn, comeIn } from "./come-in";
import { handOver, handOverView } from "./hand-over";
import { pageThere } from "./services";
import { publicKeys } from "./keys";
import { sendMarks, waitAfter } from "./marks";
import { register } from "./register";

let db: Db;
let world: World;
let store: Store;
let issuer: string;
let tool: Server;
let base: string;
let stop: () => Promise<void>;
const ines = () => visitorOf({ id: world.ines, district: world.district, school: world.here });

const silence = (on: boolean) =>
  fetch(`${issuer}/silence`, { method: "POST", body: new URLSearchParams({ on: on ? "yes" : "no" }) });

// As in the demo, where the course site runs on this machine.
process.env.DEMO = "1";
afterAll(() => void delete process.env.DEMO);

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  ({ address: issuer, store, stop } = await simulatedSite(db, world));
  tool = createServer((_, response) => void publicKeys(db).then((keys) => response.end(JSON.stringify(keys))));
  await new Promise<void>((done) => tool.listen(0, "127.0.0.1", done));
  base = `http://localhost:${(tool.address() as AddressInfo).port}`;
  process.env.PUBLIC_ADDRESS = base;
}, 60_000);
afterAll(async () => {
  delete process.env.PUBLIC_ADDRESS;
  await stop();
  tool.close();
  await db.close();
});

const press = (person: string, where: string) => pressAt(db, { site: issuer, base }, person, where);
const enters = async (message: { idToken: string; state: string }) =>
  comeIn(db, { ...message, cookie: message.state }, { origin: base, now: new Date() });

let system: OtherSystem;

test("the course site and the school get to know each other, and twice is once", async () => {
  const of = { school: world.here, by: world.ines, base, now };
  const said = { configuration: `${issuer}/.well-known/openid-configuration`, token: "once" };
  expect(await register(db, of, said)).toEqual({ name: "Quayside courses" });
  [system] = (await systemsAt(db, world.here)) as [OtherSystem];
  expect(system).toMatchObject({ issuer, deployment: "1" });
  await expect(register(db, of, { ...said, configuration: "http://elsewhere.example/c" })).rejects.toThrow("https://");
});

test("a teacher comes in from the course, and it is known with its services", async () => {
  const came = await enters(await press("u-ines", "tool"));
  expect(came).toMatchObject({ ok: true, launch: { role: "teacher", course: { id: "c1", title: "5 Kittiwake" } } });
  if (!came.ok) return;
  const { services, course } = came.launch;
  expect(services).toEqual({
    lineItems: `${issuer}/courses/c1/lineitems`,
    members: `${issuer}/courses/c1/members`,
    cartridge: `${issuer}/courses/c1/cartridge`,
  });
  expect(await personFrom(db, system, { ...came.launch, kind: "adult" })).toEqual({ id: world.ines, kind: "adult" });
  const kept = await noteCourse(db, system.id, {
    ...{ contextId: course!.id, title: course!.title, lineItemsUrl: services.lineItems },
    ...{ membersUrl: services.members, cartridgeUrl: services.cartridge },
  });
  await linkCourse(db, kept.id, world.class);
  expect((await courseOfClass(db, world.class))?.id).toBe(kept.id);
});

describe("a message that is not right lets nobody in", () => {
  const rule = async (change: (message: { idToken: string; state: string }) => Parameters<typeof comeIn>[1]) => {
    const came = await comeIn(db, change(await press("u-0", "tool")), { origin: base, now: new Date() });
    return came.ok ? "let in" : came.rule;
  };

  test("from another browser, a second time, with another signature, without one", async () => {
    expect(await rule((message) => ({ ...message, cookie: null }))).toBe("state");
    expect(await rule((message) => ({ ...message, cookie: "x" }))).toBe("state");
    const message = await press("u-0", "tool");
    expect((await enters(message)).ok).toBe(true);
    expect(await enters(message)).toEqual({ ok: false, rule: "state" });
    const changed = (token: string) => token.replace(/\.[^.]+$/, `.${"A".repeat(342)}`);
    expect(await rule(({ idToken, state }) => ({ idToken: changed(idToken), state, cookie: state }))).toBe("signature");
    const none = (token: string) => {
      const [, body] = token.split(".");
      return `${Buffer.from('{"alg":"none"}').toString("base64url")}.${body}.`;
    };
    expect(await rule(({ idToken, state }) => ({ idToken: none(idToken), state, cookie: state }))).toBe("signature");
    expect(await rule(({ state }) => ({ idToken: "x", state, cookie: state }))).toBe("signature");
  });

  test("when the way in was begun too long ago, or for another course site", async () => {
    const message = await press("u-0", "tool");
    const late = new Date(Date.now() + 6 * 60_000);
    expect(await comeIn(db, { ...message, cookie: message.state }, { origin: base, now: late })).toMatchObject({
      rule: "state",
    });
    const asked = { iss: "http://localhost:1", login_hint: "u-0", target_link_uri: base };
    expect(await beginComingIn(db, asked, { base, now })).toBeNull();
  });

  test("nobody is let in whom the school does not know", async () => {
    const of = { subject: "u-9", rosterId: "s-unknown", email: null, kind: "student" as const };
    expect(await personFrom(db, system, of)).toBeUndefined();
    // A teacher's address at the course site makes no student a teacher.
    expect(await personFrom(db, system, { ...of, subject: "u-8", email: "ines@x", rosterId: null })).toBeUndefined();
  });
});

const asked = () => ({
  class: world.class,
  from: "2026-11-23",
  weeks: 2,
  pastDue: "no date" as const,
  pastOpening: "on arrival" as const,
});
const of = () => ({ base, now });
let work: number;
const tideLesson = lesson("Reading a tide table");

test("a fortnight goes over: topics, pages, links and columns; nothing of the answers", async () => {
  const at = {
    date: "2026-11-26",
    period: 1,
    starts: new Date("2026-11-26T09:00Z"),
    ends: new Date("2026-11-26T10:00Z"),
  };
  const published = await publishFor(db, world.ines, tideLesson);
  work = await giveInLesson(db, world, published, at, { tries: 3, keep: "last" });
  const gone = {
    date: "2026-11-24",
    period: 1,
    starts: new Date("2026-11-24T09:00Z"),
    ends: new Date("2026-11-24T10:00Z"),
  };
  const over = await giveInLesson(db, world, await publishFor(db, world.ines, lesson("Storm words")), gone);
  const view = (await handOverView(db, ines(), asked(), of()))!;
  expect(view.items.map(({ title, compared, dates }) => [title, compared.standing, dates.due])).toEqual([
    ["Storm words", "new", null],
    ["Reading a tide table", "new", "2026-11-26T10:00:00.000Z"],
  ]);
  const items = view.items.map(({ id }) => id);
  expect(await handOver(db, ines(), { ...asked(), items, overwrite: [] }, of())).toEqual({ sent: 2 });
  const [course] = store.state.courses;
  expect(course!.topics).toMatchObject([{ title: "Science", entries: [`work-${over}`, `work-${work}`] }]);
  expect(course!.lineItems).toMatchObject([
    { label: "Storm words", endDateTime: null },
    { label: "Reading a tide table", scoreMaximum: 1, endDateTime: "2026-11-26T10:00:00.000Z" },
  ]);
  expect(JSON.stringify(course!.entries[`work-${work}`])).toContain(`${base}/lti/launch?work=${work}`);
  const page = Buffer.from(course!.files[`pages/work-${work}.html`]!, "base64").toString();
  expect(page).toContain("Some words to read.");
  expect(page).not.toContain("Which?");
});

test("a second time nothing is doubled, and what was changed there is asked about", async () => {
  const [course] = store.state.courses;
  const view = async () =>
    (await handOverView(db, ines(), asked(), of()))!.items.find(({ id }) => id === `work-${work}`)!;
  expect((await view()).compared.standing).toBe("as it is");
  course!.entries[`work-${work}`]!.title = "Tide tables";
  course!.lineItems[1]!.label = "Tide tables";
  expect((await view()).compared).toEqual({
    standing: "changed there",
    there: [{ field: "title", was: "Reading a tide table", is: "Tide tables" }],
  });
  const items = [`work-${work}`];
  await expect(handOver(db, ines(), { ...asked(), items, overwrite: [] }, of())).rejects.toThrow("Choose at least one");
  expect(course!.lineItems[1]!.label).toBe("Tide tables");
  await handOver(db, ines(), { ...asked(), items, overwrite: items }, of());
  expect([course!.lineItems.length, course!.lineItems[1]!.label]).toEqual([2, "Reading a tide table"]);
  expect(course!.topics[0]!.entries).toHaveLength(2);
  delete course!.entries[`work-${work}`];
  course!.lineItems = course!.lineItems.filter(({ resourceId }) => resourceId !== `work-${work}`);
  expect((await view()).compared.standing).toBe("gone there");
  await handOver(db, ines(), { ...asked(), items, overwrite: [] }, of());
  expect(course!.lineItems.map(({ resourceId }) => resourceId)).toContain(`work-${work}`);
});

test("a page that was changed there is asked about, and stays as it is there unless she sends hers", async () => {
  const [course] = store.state.courses;
  const file = `pages/work-${work}.html`;
  const text = () => Buffer.from(course!.files[file]!, "base64").toString();
  const there = async () =>
    (await handOverView(db, ines(), asked(), of()))!.items.find(({ id }) => id === `work-${work}`)!.compared;
  expect((await there()).standing).toBe("as it is");
  const sent = text();
  course!.files[file] = Buffer.from(sent.replace("</body>", "<p>Bring boots.</p></body>")).toString("base64");
  expect(await there()).toMatchObject({ standing: "changed there", there: [{ field: "page" }] });
  const items = [`work-${work}`];
  await expect(handOver(db, ines(), { ...asked(), items, overwrite: [] }, of())).rejects.toThrow("Choose at least one");
  expect(text()).toContain("Bring boots.");
  await handOver(db, ines(), { ...asked(), items, overwrite: items }, of());
  expect(text()).toBe(sent);
  expect((await there()).standing).toBe("as it is");
});

test("a manifest that names an address elsewhere is not followed with our token", async () => {
  const course = (await courseOfClass(db, world.class))!;
  expect(await pageThere(db, system, course, `pages/work-${work}.html`)).toMatch(/^[0-9a-f]{64}$/);
  for (const href of [
    "http://localhost:1/x",
    "//localhost:1/x",
    "../members",
    "/courses/c1/lineitems",
    "pages/none.html",
    "::",
  ])
    expect(await pageThere(db, system, course, href)).toBeNull();
});

test("an answer that is no manifest is said in words, and nothing is taken for deleted", async () => {
  const { id, cartridgeUrl } = (await courseOfClass(db, world.class))!;
  const setAddress = (to: string) => db.query("update other_course set cartridge_url = $2 where id = $1", [id, to]);
  await setAddress(`${issuer}/courses/c1/calendar.ics`);
  const view = (await handOverView(db, ines(), asked(), of()))!;
  expect(view.problem).toBe("The other system answered with something that cannot be read.");
  expect(view.items.map(({ compared }) => compared.standing)).not.toContain("gone there");
  await setAddress(cartridgeUrl!);
});

test("a pocket goes over as it is: what the class has as its work, the rest to read, without dates or a column", async () => {
  const pocket = (await addPocket(db, world.ines, "Tides, term 1")).id;
  const rest = await publishFor(db, world.ines, lesson("Words of the shore"));
  const [{ resource }] = (await db.query("select resource_id resource from assignment where id = $1", [work])) as [
    { resource: number },
  ];
  await putIntoPocket(db, pocket, [rest.id, resource], world.ines, now);
  const from = { ...asked(), pocket };
  const view = (await handOverView(db, ines(), from, of()))!;
  expect(view.items.map(({ title, topic, isMaterial, marks }) => [title, topic, isMaterial, marks])).toEqual([
    ["Words of the shore", "Tides, term 1", true, null],
    ["Reading a tide table", "Tides, term 1", false, 1],
  ]);
  const items = view.items.map(({ id }) => id);
  const before = store.state.courses[0]!.lineItems.length;
  await handOver(db, ines(), { ...from, items, overwrite: [] }, of());
  const [course] = store.state.courses;
  expect(course!.topics.find(({ title }) => title === "Tides, term 1")!.entries).toContain(`resource-${rest.id}`);
  expect(course!.lineItems).toHaveLength(before);
  expect(JSON.stringify(course!.files)).not.toContain("right");
  // Again: nothing new.
  const again = (await handOverView(db, ines(), from, of()))!;
  expect(again.items.map(({ compared }) => compared.standing)).toEqual(["as it is", "as it is"]);
});

test("when the course site is silent she is told so, and nothing is lost", async () => {
  await silence(true);
  const view = (await handOverView(db, ines(), asked(), of()))!;
  expect(view.problem).toContain("503");
  const items = [`work-${work}`];
  await expect(handOver(db, ines(), { ...asked(), items, overwrite: items }, of())).rejects.toThrow("Nothing was sent");
  await silence(false);
  expect((await handOverView(db, ines(), asked(), of()))!.problem).toBeNull();
});

test("a student presses the link there and is in the right place", async () => {
  const came = await enters(await press("u-0", `open/work-${work}`));
  expect(came).toMatchObject({ ok: true, launch: { role: "student", work } });
  if (!came.ok) return;
  expect(await personFrom(db, system, { ...came.launch, kind: "student" })).toEqual({
    id: world.students[0],
    kind: "student",
  });
});

test("marks go back by themselves, once, and again when they change; also when the network was away", async () => {
  const [first] = world.students;
  const column = () => store.state.courses[0]!.lineItems.find(({ resourceId }) => resourceId === `work-${work}`)!;
  const answers = async (value: "a" | "b") => {
    const assigned = (await ownAssignment(db, first!, work, null))!;
    const attempt = (await openAttempt(db, assigned, new Date()))!;
    const { step, question } = allQuestions(tideLesson)[0]!;
    const response = { key: `k-${value}`, step: step.id, question: question.id, value, checked: false, late: false };
    await addResponses(db, attempt.id, [response], new Date());
    await handIn(db, attempt.id, new Date());
  };
  await answers("a");
  await silence(true);
  const later = (minutes: number) => new Date(Date.now() + minutes * 60_000);
  await sendMarks(db, later(0));
  expect(column().scores).toEqual({});
  const course = (await courseOfClass(db, world.class))!;
  expect((await waitingMarks(db, course.id)).count).toBe(1);
  await silence(false);
  // Not at once: it waits before it tries again.
  await sendMarks(db, later(0));
  expect(column().scores).toEqual({});
  await sendMarks(db, later(2));
  expect(column().scores).toMatchObject({ "u-0": { given: 1, most: 1, progress: "FullyGraded" } });
  expect((await waitingMarks(db, course.id)).count).toBe(0);
  const { at } = column().scores["u-0"]!;
  await sendMarks(db, later(3));
  expect(column().scores["u-0"]!.at).toBe(at);
  await answers("b");
  await sendMarks(db, later(4));
  expect(column().scores["u-0"]).toMatchObject({ given: 0 });
  expect([waitAfter(0), waitAfter(1), waitAfter(40)]).toEqual([15_000, 30_000, 3_600_000]);
});

test("a mark that has nowhere to go waits with its reason, and goes when it can", async () => {
  const course = (await courseOfClass(db, world.class))!;
  const [, second] = world.students;
  const assigned = (await ownAssignment(db, second!, work, null))!;
  const attempt = (await openAttempt(db, assigned, new Date()))!;
  const { step, question } = allQuestions(tideLesson)[0]!;
  const response = { key: "k-2", step: step.id, question: question.id, value: "a", checked: false, late: false };
  await addResponses(db, attempt.id, [response], new Date());
  await handIn(db, attempt.id, new Date());
  const later = (minutes: number) => new Date(Date.now() + minutes * 60_000);
  // She is not in the course there, and the roster there does not know her.
  const [there] = store.state.courses;
  const all = [...there!.members];
  there!.members = all.filter((id) => id !== "u-1");
  await sendMarks(db, later(10));
  expect(await waitingMarks(db, course.id)).toEqual({ count: 1, problem: "Somebody is not in the course there." });
  const asks = jest.spyOn(globalThis, "fetch");
  // Until it is time again nobody is asked anything.
  await sendMarks(db, later(10));
  expect(asks).not.toHaveBeenCalled();
  asks.mockRestore();
  there!.members = all;
  await sendMarks(db, later(20));
  const column = there!.lineItems.find(({ resourceId }) => resourceId === `work-${work}`)!;
  expect(column.scores["u-1"]).toMatchObject({ given: 1 });
  expect((await waitingMarks(db, course.id)).count).toBe(0);
  // Excused: the mark there is taken away again.
  await db.query("insert into excused (assignment_id, student_id, by_id, at) values ($1, $2, $3, now())", [
    ...[work, second, world.ines],
  ]);
  await sendMarks(db, later(30));
  expect(column.scores["u-1"]).toMatchObject({ given: null, progress: "PendingManual" });
});

test("she chooses from her satchel there: it is assigned here and linked there, once", async () => {
  const came = await enters(await press("u-ines", "choose"));
  expect(came).toMatchObject({
    ok: true,
    launch: { choosing: { returnUrl: `${issuer}/courses/c1/chosen`, several: true } },
  });
  if (!came.ok || !came.launch.choosing) return;
  const course = (await courseOfClass(db, world.class))!;
  const token = "t".repeat(43);
  const time = new Date();
  await beginChoice(db, {
    ...{ tokenHash: tokenHash(token), course: course.id, person: world.ines, ...came.launch.choosing },
    ...{ now: time, expires: new Date(time.getTime() + 60_000) },
  });
  const { id } = await publishFor(db, world.ines, lesson("Angles of the sails"));
  const said = () =>
    new URLSearchParams({ for: token, class: String(world.class), due: "2027-01-15", resource: String(id) });
  const page = await returnChoice(db, ines(), said(), { now: time, nonce: "n" });
  const jwt = /name="JWT" value="([^"]+)"/.exec(page)![1]!;
  const posted = await fetch(`${issuer}/courses/c1/chosen`, {
    ...{ method: "POST", headers: { cookie: "quayside=u-ines" }, redirect: "manual" as const },
    body: new URLSearchParams({ JWT: jwt }),
  });
  expect(posted.status).toBe(303);
  const [there] = store.state.courses;
  expect(there!.topics.at(-1)).toMatchObject({ title: "From Golden Satchel" });
  expect(there!.lineItems.at(-1)).toMatchObject({
    label: "Angles of the sails",
    endDateTime: "2027-01-15T15:00:00.000Z",
  });
  await expect(returnChoice(db, ines(), said(), { now: time, nonce: "n" })).rejects.toThrow("This choice is over");
  // What goes back is good once, too.
  const again = await fetch(`${issuer}/courses/c1/chosen`, {
    ...{ method: "POST", headers: { cookie: "quayside=u-ines" }, body: new URLSearchParams({ JWT: jwt }) },
  });
  expect(again.status).toBe(400);
});
