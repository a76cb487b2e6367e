import { richText } from "@/core/content/rich-text";
import type { Db } from "@/data/engine/db";
import { addMedia } from "@/data/engine/media";
import { satchelOf, withdrawnFrom } from "@/data/satchel/satchel";
import { givenTo } from "@/data/share/shares";
import { setEntries } from "@/data/share/sharing";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { lightTable } from "../find/light-table";
import { linkedThings, linkShowsFile, openLink } from "./link";
import { actAs, answerFrom, value, visitorOf } from "../testing/as";
import { adaptResource, publishDraft, saveDraft } from "../adapt/adapt-actions";
import { audienceFor } from "../assign/assign-actions";
import { giveToColleagues } from "./give-actions";
import { endLink, lookAtLinks, makeLink, takeFromLink } from "./link-actions";
import { undoPlan } from "../plan/plan-actions";
import { packResource } from "../satchel/satchel-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/headers", () => ({ headers: async () => new Headers({ host: "satchel.example" }) }));

let db: Db;
let world: World;
const now = new Date();
const ines = () => visitorOf({ id: world.ines, district: world.district, school: world.here });
const teodor = () => visitorOf({ id: world.teodor, district: world.district, school: world.here });
const stranger = () => visitorOf({ id: world.stranger, district: world.otherDistrict, school: null });

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
}, 60_000);
afterAll(() => db.close());
beforeEach(() => actAs(ines()));

const mine = async (title: string) => (await publishFor(db, world.ines, lesson(title))).id;
const form = { name: "Tides", way: "copy" as const, teacherPart: true, until: null };
const tokenOf = (address: string) => address.split("/").at(-1)!;

test("a link opens what it leads to for anybody; its address is kept nowhere; ended, it leads nowhere, and undo opens it again", async () => {
  const id = await mine("Tides");
  const { address } = value(await makeLink({ ...form, resources: [id] }));
  expect(address).toMatch(/^http:\/\/satchel\.example\/look\/[\w-]{22}$/);
  const token = tokenOf(address);
  const kept = await db.query<Record<string, unknown>>("select * from link");
  expect(JSON.stringify(kept)).not.toContain(token);
  const link = (await openLink(db, token))!;
  expect(link).toMatchObject({ byName: "ines Test", way: "copy", resources: [id] });
  const [thing] = await linkedThings(db, link, token);
  expect(thing!.facts.title).toBe("Tides");
  const [made] = value(await lookAtLinks({ resources: [id] }));
  const { event } = value(await endLink({ link: made!.id }));
  expect(await openLink(db, token)).toBeNull();
  expect((await endLink({ link: made!.id })).ok).toBe(false);
  value(await undoPlan({ event }));
  expect(await openLink(db, token)).not.toBeNull();
});

test("wrong, ended and forgotten addresses look the same, and so does what was archived", async () => {
  const id = await mine("Archived");
  const token = tokenOf(value(await makeLink({ ...form, resources: [id] })).address);
  await db.query("update resource set archived = now() where id = $1", [id]);
  for (const wrong of [token, "", "short", "A".repeat(22), "A".repeat(4000), "../../etc/passwd"])
    expect(await openLink(db, wrong)).toBeNull();
});

test("it ends by itself after its day, and not for a day that is over", async () => {
  const id = await mine("For a week");
  expect(await makeLink({ ...form, resources: [id], until: "2020-01-01" })).toMatchObject({
    ok: false,
    field: "until",
  });
  expect((await makeLink({ ...form, resources: [id], until: "2026-02-31" })).ok).toBe(false);
  const token = tokenOf(value(await makeLink({ ...form, resources: [id], until: "2099-06-30" })).address);
  expect((await openLink(db, token))!.until!.toISOString().slice(0, 7)).toMatch(/^2099-0[67]$/);
  await db.query("update link set until = now() - interval '1 second' where until is not null");
  expect(await openLink(db, token)).toBeNull();
});

test("without the teacher's part no answer, note or step for the teacher leaves the server", async () => {
  const document = lesson("Secret answers");
  document.steps[0]!.teacherNotes = { en: richText("Note to self") };
  document.steps.push({ ...document.steps[0]!, blocks: [], id: "teachers", audience: "teacher" });
  const { id } = await publishFor(db, world.ines, document);
  const token = tokenOf(value(await makeLink({ ...form, resources: [id], teacherPart: false })).address);
  const [thing] = await linkedThings(db, (await openLink(db, token))!, token);
  expect(thing!.document.steps.map((step) => step.id)).toEqual([document.steps[0]!.id]);
  expect(JSON.stringify(thing)).not.toContain("Note to self");
  expect(thing!.document.steps[0]!.blocks.at(-1)).toMatchObject({ question: { right: null } });
});

test("its files are reached by the link, and no others", async () => {
  const [own, other] = ["a".repeat(64), "b".repeat(64)];
  for (const sha256 of [own, other])
    await addMedia(db, { sha256, mime: "image/png", bytes: 3, by: world.ines, at: now });
  const document = lesson("With a picture");
  document.steps[0]!.blocks.unshift({ id: "p", type: "picture", media: own, description: { en: "A buoy" } } as never);
  const { id } = await publishFor(db, world.ines, document);
  const token = tokenOf(value(await makeLink({ ...form, resources: [id] })).address);
  const link = (await openLink(db, token))!;
  const [thing] = await linkedThings(db, link, token);
  expect(thing!.document.steps[0]!.blocks[0]).toMatchObject({ media: `look/${token}/${own}` });
  expect(await linkShowsFile(db, link, own)).toBe(true);
  expect(await linkShowsFile(db, link, other)).toBe(false);
});

test("what must not leave the school gets no link, and is not published under one", async () => {
  await db.query("update person set family_name = 'Strand', given_name = 'Aisha' where id = $1", [world.students[0]]);
  const named = await publishFor(db, world.ines, lesson("Named", { text: "Aisha Strand found a shell." }));
  expect(await makeLink({ ...form, resources: [named.id] })).toMatchObject({
    ok: false,
    problem: expect.stringContaining("names Aisha Strand"),
  });
  const id = await mine("Not named yet");
  value(await makeLink({ ...form, resources: [id] }));
  const draft = { seen: 0, document: lesson("Named now", { text: "Aisha Strand found a shell." }) };
  const { counter } = value(await saveDraft({ resource: id, ...draft }));
  expect(await publishDraft({ resource: id, seen: counter })).toMatchObject({
    ok: false,
    problem: expect.stringContaining("people outside your school can see it"),
  });
});

test("what people outside the school have been given is not published with a child's name in it; for her own school it is", async () => {
  const named = lesson("Now with a name", { text: "Aisha Strand found a shell." });
  const published = async (to: number) => {
    const id = await mine("Given before");
    value(await giveToColleagues({ resources: [id], people: [to], note: "" }));
    const { counter } = value(await saveDraft({ resource: id, seen: 0, document: named }));
    return publishDraft({ resource: id, seen: counter });
  };
  expect(await published(world.judit)).toMatchObject({ ok: false, problem: expect.stringContaining("Aisha Strand") });
  expect((await published(world.teodor)).ok).toBe(true);
});

test("somebody of another district packs and adapts what a link shows; when it ends it is gone from her satchel, and her copy stays", async () => {
  const id = await mine("From afar");
  const token = tokenOf(value(await makeLink({ ...form, resources: [id] })).address);
  actAs(stranger());
  expect((await packResource({ resource: id })).ok).toBe(false);
  expect((await takeFromLink({ token, resource: 999_999 })).ok).toBe(false);
  value(await takeFromLink({ token, resource: id }));
  value(await takeFromLink({ token, resource: id }));
  value(await packResource({ resource: id }));
  const { resource: copy } = value(await adaptResource({ resource: id }));
  expect((await givenTo(db, world.stranger)).map(({ resource }) => resource)).toEqual([id]);
  actAs(ines());
  const [made] = value(await lookAtLinks({ resources: [id] }));
  value(await endLink({ link: made!.id }));
  expect(await lightTable(db, stranger(), id, now)).toBeNull();
  expect(await givenTo(db, world.stranger)).toEqual([]);
  expect((await withdrawnFrom(db, stranger())).map((one) => one.resource)).toEqual([id]);
  expect((await satchelOf(db, stranger())).map((item) => item.id)).toEqual([copy]);
});

test("what is to look at only is seen and packed, and neither copied nor assigned, until it is given to copy", async () => {
  const id = await mine("Look, do not touch");
  const token = tokenOf(value(await makeLink({ ...form, resources: [id], way: "look" })).address);
  actAs(teodor());
  value(await takeFromLink({ token, resource: id }));
  value(await packResource({ resource: id }));
  const data = (await lightTable(db, teodor(), id, now))!;
  expect(data).toMatchObject({
    lookOnly: true,
    adapting: { allowed: false, reason: "ines Test shared it to look at only." },
  });
  expect((await adaptResource({ resource: id })).ok).toBe(false);
  expect((await audienceFor({ resources: [id], day: null } as never)).ok).toBe(false);
  actAs(ines());
  value(await giveToColleagues({ resources: [id], people: [world.teodor], note: "", way: "copy" }));
  expect((await lightTable(db, teodor(), id, now))!.lookOnly).toBe(false);
  actAs(teodor());
  value(await adaptResource({ resource: id }));
  await setEntries(db, [id], []);
});

test("only her own things go by link, and only she ends one", async () => {
  const his = (await publishFor(db, world.teodor, lesson("His"), ["staffroom"])).id;
  expect((await makeLink({ ...form, resources: [his] })).ok).toBe(false);
  const id = await mine("Hers");
  value(await makeLink({ ...form, resources: [id] }));
  const [made] = value(await lookAtLinks({ resources: [id] }));
  actAs(teodor());
  expect((await endLink({ link: made!.id })).ok).toBe(false);
  expect((await lookAtLinks({ resources: [id] })).ok).toBe(false);
});
