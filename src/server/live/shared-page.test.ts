import { strFromU8, unzipSync } from "fflate";
import { fromBase64, toBase64 } from "lib0/buffer";
import * as Y from "yjs";
import { GET as followRoute } from "@/app/student/[assignment]/live/route";
import { GET as pageRoute, POST as writeRoute } from "@/app/student/[assignment]/together/route";
import { GET as watchRoute } from "@/app/lead/[assignment]/together/route";
import type { LiveWork } from "@/core/live/lesson";
import { sharedValue, writeShared } from "@/core/together/shared-page";
import { questionsOf } from "@/core/resource/document";
import { actAs, value } from "../testing/as";
import { child, db, document, newAssignment, openSchool, teacher, world } from "../testing/child-at-work";
import { lead } from "../testing/leading";
import { listen, stopListening } from "../testing/listening";
import { childFile } from "../keep/child-file";
import { deleteChildOf } from "../keep/children";
import { leadAssignment, putPageBack } from "./lead-actions";
import type { FollowEvent } from "./lesson-view";
import type { OpenedPage, WatchedPage } from "./shared-page";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

beforeAll(openSchool, 60_000);
afterAll(async () => {
  stopListening();
  await new Promise((done) => setTimeout(done, 50));
  await db.close();
});

const step = document.steps.find((one) => questionsOf(one).length > 0)!.id;
const member = (nth: number) => ({ student: world.students[nth]!, name: `Child ${nth}` });
const shared = (mode: LiveWork["mode"], groups: number[][], more: Partial<LiveWork> = {}): LiveWork => ({
  ...{ mode, groups: groups.map((group) => group.map(member)), onBoard: false, shared: true, frozen: false, ...more },
});
async function led(work: LiveWork): Promise<number> {
  const assignment = await newAssignment();
  actAs(teacher());
  value(await leadAssignment({ assignment }));
  value(await lead(assignment, { do: "begin", step, nth: 0 }));
  value(await lead(assignment, { do: "work", step, work }));
  return assignment;
}
const at = (assignment: number) => ({ params: Promise.resolve({ assignment: String(assignment) }) });
const address = `http://satchel.example/together?step=${step}`;
async function opened(nth: number, assignment: number): Promise<(OpenedPage & { page: Y.Doc }) | null> {
  actAs(child(nth));
  const response = await pageRoute(new Request(address), at(assignment));
  const found = (await response.json()) as OpenedPage | null;
  if (!found) return null;
  const page = new Y.Doc();
  Y.applyUpdate(page, fromBase64(found.state));
  return { ...found, page };
}
async function send(nth: number, assignment: number, change: string, page: number | null = null): Promise<number> {
  actAs(child(nth));
  const body = JSON.stringify({ page, step, change });
  return (await writeRoute(new Request(address, { method: "POST", body }), at(assignment))).status;
}
/** What a child types on a page she has open, as her screen sends it. */
function typed(page: Y.Doc, text: string, question = { id: "w", type: "longText" as const }): string {
  let change = "";
  page.once("update", (update: Uint8Array) => (change = toBase64(update)));
  writeShared(page, question, text);
  return change;
}
const said = (page: Y.Doc) => sharedValue(page, { id: "w", type: "longText" });
async function watched(assignment: number): Promise<WatchedPage[]> {
  actAs(teacher());
  return (await (await watchRoute(new Request(address), at(assignment))).json()) as WatchedPage[];
}

test("a pair writes on one page; the others of the class see nothing of it and cannot write on it", async () => {
  const assignment = await led(shared("pairs", [[0, 1]]));
  const hers = (await opened(0, assignment))!;
  expect(hers.open).toBe(true);
  actAs(child(1));
  const screen = await listen<FollowEvent>(followRoute, assignment);
  actAs(child(2));
  const stranger = await listen<FollowEvent>(followRoute, assignment);
  // From here on they hear everything: what came before is read once.
  for (const one of [screen, stranger]) await one.until(({ kind }) => kind === "page");
  expect(await send(0, assignment, typed(hers.page, "Kelp holds."))).toBe(200);
  const told = await screen.until((event) => event.kind === "page" && event.change !== null);
  expect(told).toMatchObject({ step, by: world.students[0] });
  expect(said((await opened(1, assignment))!.page)).toBe("Kelp holds.");
  expect(await opened(2, assignment)).toBeNull();
  expect(await send(2, assignment, typed(new Y.Doc(), "Mine too."))).toBe(404);
  expect(stranger.events.filter((event) => event.kind === "page" && event.step !== null)).toEqual([]);
});

test("who wrote what is kept, and nobody writes in another child's name", async () => {
  const assignment = await led(shared("pairs", [[0, 1]]));
  const hers = (await opened(0, assignment))!.page;
  await send(0, assignment, typed(hers, "Kelp holds."));
  const his = (await opened(1, assignment))!.page;
  await send(1, assignment, typed(his, "Kelp holds. On rock."));
  const [page] = await watched(assignment);
  expect(page!.contributions.map(({ student, letters }) => [student, letters])).toEqual([
    [world.students[0], 11],
    [world.students[1], 9],
  ]);
  // Her device's number, sent by him.
  expect(await send(1, assignment, typed(hers, "Kelp holds. I am silly."))).toBe(413);
  expect(said((await opened(0, assignment))!.page)).toBe("Kelp holds. On rock.");
});

test("while writing is paused, it can be looked at and not written on", async () => {
  const work = shared("class", []);
  const assignment = await led(work);
  const page = (await opened(0, assignment))!.page;
  value(await lead(assignment, { do: "work", step, work: { ...work, frozen: true } }));
  const change = typed(page, "Too late?");
  expect(await send(0, assignment, change)).toBe(409);
  value(await lead(assignment, { do: "work", step, work }));
  expect(await send(0, assignment, change)).toBe(200);
});

test("the teacher puts a page back to before a change, and puts that back too", async () => {
  const assignment = await led(shared("class", []));
  const hers = (await opened(0, assignment))!.page;
  await send(0, assignment, typed(hers, "Kelp holds."));
  const his = (await opened(1, assignment))!.page;
  await send(1, assignment, typed(his, "x"));
  const [page] = await watched(assignment);
  actAs(teacher());
  value(await putPageBack({ assignment, page: page!.id, before: page!.contributions[1]!.first }));
  expect(said((await opened(1, assignment))!.page)).toBe("Kelp holds.");
  // Pressed twice, it is done once.
  actAs(teacher());
  value(await putPageBack({ assignment, page: page!.id, before: page!.contributions[1]!.first }));
  const [after] = await watched(assignment);
  expect(after!.contributions.map(({ student }) => student)).toEqual([world.students[0], world.students[1], null]);
  actAs(teacher());
  value(await putPageBack({ assignment, page: page!.id, before: after!.contributions[2]!.first }));
  expect(said((await opened(1, assignment))!.page)).toBe("x");
});

test("split into groups, each goes on from the page of the whole class, and what they do stays apart", async () => {
  const assignment = await led(shared("class", []));
  await send(0, assignment, typed((await opened(0, assignment))!.page, "All of us."));
  value(await lead(assignment, { do: "work", step, work: shared("groups", [[0, 1], [2]]) }));
  const hers = (await opened(0, assignment))!.page;
  expect(said(hers)).toBe("All of us.");
  await send(0, assignment, typed(hers, "All of us. And two."));
  expect(said((await opened(1, assignment))!.page)).toBe("All of us. And two.");
  expect(said((await opened(2, assignment))!.page)).toBe("All of us.");
});

test("alone again, the page can be looked at and her own answers are as they were", async () => {
  const assignment = await led(shared("pairs", [[0, 1]]));
  await send(0, assignment, typed((await opened(0, assignment))!.page, "Together."));
  value(await lead(assignment, { do: "work", step, work: null }));
  const after = (await opened(0, assignment))!;
  expect([after.open, said(after.page)]).toEqual([false, "Together."]);
  expect(await send(0, assignment, typed(after.page, "Together. More."))).toBe(404);
  const [answers] = await db.query<{ count: number }>(
    `select count(*)::int count from response r join attempt a on a.id = r.attempt_id
      join recipient t on t.id = a.recipient_id where t.assignment_id = $1`,
    [assignment],
  );
  expect(answers!.count).toBe(0);
});

test("what is no change, or too much at once, is refused and nothing of the page is lost", async () => {
  const assignment = await led(shared("pairs", [[0, 1]]));
  const hers = (await opened(0, assignment))!.page;
  await send(0, assignment, typed(hers, "Kelp holds."));
  expect(await send(0, assignment, toBase64(new Uint8Array([9, 9, 9, 200, 200])))).toBe(400);
  expect(await send(0, assignment, "not base64 at all!")).toBe(400);
  expect(await send(0, assignment, "A".repeat(200_000))).toBe(400);
  expect(said((await opened(0, assignment))!.page)).toBe("Kelp holds.");
});

test("options have other names on the page than in the document, the same for all who share it", async () => {
  const assignment = await led(shared("pairs", [[0, 1]]));
  const [hers, his] = [(await opened(0, assignment))!, (await opened(1, assignment))!];
  expect(hers.questions).toEqual(his.questions);
  expect(hers.questions.length).toBeGreaterThan(0);
  const ids = (questions: readonly object[]) =>
    questions.flatMap((question) =>
      ("options" in question ? (question.options as { id: string }[]) : []).map(({ id }) => id),
    );
  const own = ids(document.steps.flatMap(questionsOf));
  expect(own.length).toBeGreaterThan(0);
  expect(ids(hers.questions).filter((id) => own.includes(id))).toEqual([]);
});

test("what was typed a moment before the whole class shares a page stays on the pair's own, and no other page takes it", async () => {
  const assignment = await led(shared("pairs", [[0, 1]]));
  const pair = (await opened(0, assignment))!;
  const late = typed(pair.page, "Between us.");
  actAs(teacher());
  value(await lead(assignment, { do: "work", step, work: shared("class", []) }));
  const all = (await opened(0, assignment))!;
  expect(all.id).not.toBe(pair.id);
  expect(await send(0, assignment, late, pair.id)).toBe(200);
  expect(said((await opened(2, assignment))!.page)).toBeUndefined();
  // Somebody who was not of the pair cannot write on it, and a page that is not there is none.
  expect(await send(2, assignment, typed(new Y.Doc(), "Me too."), pair.id)).toBe(404);
  expect(await send(0, assignment, typed(new Y.Doc(), "Nowhere."), 999_999)).toBe(404);
  expect((await watched(assignment)).map(({ members }) => members?.length)).toEqual([2]);
});

test("a child’s file says what she did with others, and not who they were; when she is deleted her words go and theirs stay", async () => {
  const assignment = await led(shared("pairs", [[0, 1]]));
  await send(0, assignment, typed((await opened(0, assignment))!.page, "Kelp holds."));
  await send(1, assignment, typed((await opened(1, assignment))!.page, "Kelp holds. Firmly, to rock."));
  value(await lead(assignment, { do: "work", step, work: shared("class", []) }));
  // The whole class begins anew: what a pair wrote is the pair's.
  expect(said((await opened(2, assignment))!.page)).toBeUndefined();
  await send(0, assignment, typed((await opened(0, assignment))!.page, "Kelp holds."));
  await send(1, assignment, typed((await opened(1, assignment))!.page, "Kelp holds. Firmly, to rock!!"));
  const student = world.students[1]!;
  const parts: Uint8Array[] = [];
  for await (const part of childFile(db, student)) parts.push(part);
  const together = strFromU8(unzipSync(Buffer.concat(parts))["together.json"]!);
  const { pages } = JSON.parse(together) as { pages: { assignment: number; wrote: string[] }[] };
  expect(pages.filter((page) => page.assignment === assignment).map(({ wrote }) => wrote)).toEqual([
    [" Firmly, to rock."],
    [" Firmly, to rock!!"],
  ]);
  expect(together).toContain('"others": 1');
  expect(together).not.toMatch(/Child 0|Kelp holds/);

  // A screen that has the page open is looked at before, so that what it remembers must be read again.
  expect((await watched(assignment)).length).toBe(2);
  await deleteChildOf(db, { school: world.here, student, by: world.ines, now: new Date() });
  const [pair, all] = await watched(assignment);
  for (const page of [pair!, all!]) {
    const read = new Y.Doc();
    Y.applyUpdate(read, fromBase64(page.state));
    expect(said(read)).toBe("Kelp holds.");
    expect(page.contributions.map(({ student: by }) => by)).toEqual([world.students[0]]);
  }
  const kept = await db.query<{ change: string }>("select change from shared_page_change");
  const stored = kept.map(({ change }) => Buffer.from(change, "base64").toString("latin1")).join();
  expect(stored).toContain("Kelp holds");
  expect(stored).not.toContain("Firmly");
  expect(await send(0, assignment, typed((await opened(0, assignment))!.page, "Kelp holds. Still."))).toBe(200);
});
