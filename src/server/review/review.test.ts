import type { Question } from "@/core/question/question";
import { richText } from "@/core/content/rich-text";
import { newStep } from "@/core/resource/edit";
import { plainSharing, type Sharing } from "@/core/review/sharing";
import { GET as classmatesRoute } from "@/app/student/[assignment]/classmates/route";
import { POST as sendRoute } from "@/app/student/[assignment]/responses/route";
import { addMedia } from "@/data/engine/media";
import { lesson, newId, publishFor } from "@/data/testing/world";
import { ownAssignment, ownAssignments } from "@/data/student/work";
import { workOf } from "@/data/results/work-of-class";
import { waitingFor } from "@/data/review/queue";
import { undoPlan } from "../plan/plan-actions";
import { changeRules, lookAtRules } from "../assign/afterwards-actions";
import { actAs, value, visitorOf } from "../testing/as";
import { child, db, formFor, newAssignment, openSchool, teacher, world } from "../testing/child-at-work";
import { assignResources } from "../assign/assign-actions";
import { handIn } from "../student/student-actions";
import { studentWork } from "../student/student-work";
import { replyToPiece, sendPieceOf } from "./child-actions";
import type { Classmates } from "./own-review";
import { decide, decideAboutReply, keepPhrases, takeBack } from "./review-actions";
import { reviewQueue, type QueueItem } from "./review-queue";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

beforeAll(openSchool, 60_000);
afterAll(() => db.close());

const asked: Question = {
  id: newId(),
  type: "longText",
  prompt: { en: richText("What did you see?") },
  marks: 2,
  partial: "by part",
  checked: "at the end",
  lines: 3,
};
const writing = lesson("Kelp", {
  steps: [newStep("en", "Look", newId, [{ id: newId(), type: "question", question: asked }])],
});

/** Work with one question to write about, given to the class. */
const work = (sharing: Partial<Sharing>) => newAssignment({ sharing: { ...plainSharing, ...sharing } }, writing);

let keys = 0;
/** A child writes an answer in a try, as a device sends it. */
async function write(assignment: number, text: string, at = 0, number = 1): Promise<{ status: number; why?: string }> {
  actAs(child(at));
  const assigned = (await ownAssignment(db, world.students[at]!, assignment, null))!;
  const request = new Request("http://satchel.example/responses", {
    method: "POST",
    headers: { "content-type": "application/json", "sec-fetch-site": "same-origin" },
    body: JSON.stringify({
      ...{ recipient: assigned.recipient, number },
      items: [{ key: `written-${(keys += 1)}`, question: asked.id, value: text, age: 0, after: [] }],
    }),
  });
  const response = await sendRoute(request, { params: Promise.resolve({ assignment: String(assignment) }) });
  return { status: response.status, ...((await response.json()) as { why?: string }) };
}
/** Writes and sends it. */
async function show(assignment: number, text: string, at = 0): Promise<void> {
  await write(assignment, text, at);
  value(await sendPieceOf({ assignment, question: asked.id }));
}
const queue = (part: "waiting" | "sent back" | "shown" = "waiting") => reviewQueue(db, world.ines, new Date(), part);
const itemOf = async (assignment: number, part?: "waiting" | "sent back" | "shown") =>
  (await queue(part)).items.find((one) => one.assignment === assignment)!;
const decideOn = (item: QueueItem, state: "approved" | "sent back", more: object = {}) => {
  actAs(teacher());
  return decide({
    ...{ assignment: item.assignment, piece: item.id, state, comment: "", voice: null, marks: [], named: true },
    was: { state: item.state as "waiting", decided: item.decided },
    ...more,
  });
};
async function classmates(assignment: number, at: number): Promise<Classmates> {
  actAs(child(at));
  const request = new Request(`http://satchel.example/classmates?question=${asked.id}`);
  const response = await classmatesRoute(request, { params: Promise.resolve({ assignment: String(assignment) }) });
  return (await response.json()) as Classmates;
}
const seen = async (assignment: number, at: number) =>
  (await classmates(assignment, at)).pieces.map(({ value: is }) => is);
const page = async (assignment: number, at = 0) => (await studentWork(db, child(at), assignment, new Date()))!;

describe("work that waits until the teacher has looked", () => {
  test("what is sent waits; approved, the child reads what she says", async () => {
    const assignment = await work({ look: "everything" });
    await show(assignment, "Three heaps.");
    const item = await itemOf(assignment);
    expect(item).toMatchObject({ value: "Three heaps.", state: "waiting", number: 1, title: "Kelp", stepAt: 1 });
    value(await decideOn(item, "approved", { comment: "You looked closely." }));
    expect(await itemOf(assignment)).toBeUndefined();
    const { review } = await page(assignment);
    expect(review!.pieces[asked.id]).toMatchObject([{ state: "approved", comment: "You looked closely." }]);
  });

  test("handing in sends what was not sent, and nothing twice", async () => {
    const assignment = await work({ look: "everything" });
    await show(assignment, "Same.");
    value(await handIn({ assignment }));
    expect((await queue()).items.filter((one) => one.assignment === assignment)).toHaveLength(1);
    await write(assignment, "Never pressed.", 1);
    value(await handIn({ assignment }));
    expect((await queue()).items.filter((one) => one.assignment === assignment)).toHaveLength(2);
  });

  test("sent back, the child corrects it though all was handed in; both versions stay", async () => {
    const assignment = await work({ look: "everything" });
    await write(assignment, "Wrong.");
    value(await handIn({ assignment }));
    expect(await write(assignment, "Too soon.")).toMatchObject({ status: 409, why: "handed in" });
    value(await decideOn(await itemOf(assignment), "sent back", { comment: "Look again." }));
    expect(
      (await ownAssignments(db, world.students[0]!, null)).find((one) => one.assignment === assignment),
    ).toMatchObject({
      sentBack: 1,
    });
    expect((await page(assignment)).review!.open).toEqual([asked.id]);
    expect((await write(assignment, "Right.")).status).toBe(200);
    value(await sendPieceOf({ assignment, question: asked.id }));
    const again = await itemOf(assignment);
    expect(again).toMatchObject({ value: "Right.", number: 2 });
    expect(again.earlier).toMatchObject([{ value: "Wrong.", comment: "Look again.", state: "sent back" }]);
    // Sent again it is closed again, until she decides.
    expect(await write(assignment, "Once more.")).toMatchObject({ status: 409 });
    const [row] = await workOf(db, assignment);
    expect(row!.tries).toHaveLength(1);
    expect(row!.tries[0]!.responses.map((one) => one.value)).toEqual(["Wrong.", "Right."]);
  });

  test("with tries left, a late device does not begin a new try by itself when the work came back", async () => {
    const assignment = await newAssignment({ tries: 3, sharing: { ...plainSharing, look: "everything" } }, writing);
    await write(assignment, "One.");
    value(await handIn({ assignment }));
    value(await decideOn(await itemOf(assignment), "sent back", { comment: "Again." }));
    await write(assignment, "Two.");
    expect((await workOf(db, assignment))[0]!.tries).toHaveLength(1);
  });

  test("nothing is sent back without a word or a mark", async () => {
    const assignment = await work({ look: "everything" });
    await show(assignment, "Hm.");
    const item = await itemOf(assignment);
    expect(await decideOn(item, "sent back")).toMatchObject({ ok: false, field: "comment" });
    const line = { id: "l", on: "answer", points: [0, 0, 10, 10] };
    value(await decideOn(item, "sent back", { marks: [line] }));
    expect((await page(assignment)).review!.pieces[asked.id]).toMatchObject([{ marks: [line] }]);
  });

  test("a decision is taken back; not one that somebody has decided over, or that came again", async () => {
    const assignment = await work({ look: "everything" });
    await show(assignment, "Hm.");
    const item = await itemOf(assignment);
    const { decided } = value(await decideOn(item, "approved", { comment: "Fine." }));
    expect(await decideOn(item, "sent back", { comment: "Too late" })).toMatchObject({ ok: false });
    value(await takeBack({ assignment, piece: item.id, decided }));
    expect(await itemOf(assignment)).toMatchObject({ state: "waiting", comment: "Fine." });
    const second = value(await decideOn(await itemOf(assignment), "sent back", { comment: "Again" }));
    await show(assignment, "Better.");
    actAs(teacher());
    expect(await takeBack({ assignment, piece: item.id, decided: second.decided })).toMatchObject({ ok: false });
  });

  test("of each child until one piece is good", async () => {
    const assignment = await work({ look: "until good", classmates: "any time" });
    await show(assignment, "First.");
    value(await decideOn(await itemOf(assignment), "approved"));
    await show(assignment, "Second.");
    expect(await itemOf(assignment)).toBeUndefined();
    expect(await seen(assignment, 1)).toEqual(["Second."]);
  });

  test("nothing to send: not answered, or the work does not ask for it", async () => {
    const assignment = await work({ look: "everything" });
    expect(await sendPieceOf({ assignment, question: asked.id })).toMatchObject({ ok: false, code: "nothingToSend" });
    const plain = await work({});
    await write(plain, "Written.");
    expect(await sendPieceOf({ assignment: plain, question: asked.id })).toMatchObject({ ok: false });
  });

  test("neither another teacher nor a child sees the queue or decides", async () => {
    const assignment = await work({ look: "everything" });
    await show(assignment, "Mine.");
    const item = await itemOf(assignment);
    const other = visitorOf({ id: world.teodor, district: world.district, school: world.here });
    expect((await reviewQueue(db, world.teodor, new Date(), "waiting")).items).toEqual([]);
    expect(await waitingFor(db, world.teodor, new Date())).toBe(0);
    expect(await waitingFor(db, world.ines, new Date())).toBeGreaterThan(0);
    actAs(other);
    const asOther = await decide({
      ...{ assignment, piece: item.id, state: "approved", comment: "", voice: null, marks: [], named: true },
      was: { state: "waiting", decided: null },
    });
    expect(asOther).toMatchObject({ ok: false, code: "notThere" });
    // A piece of other work is not reached through work of hers.
    const elsewhere = await work({ look: "everything" });
    expect(await decideOn({ ...item, assignment: elsewhere }, "approved")).toMatchObject({ ok: false });
    expect(await itemOf(assignment)).toMatchObject({ state: "waiting" });
  });
});

describe("what classmates see", () => {
  test("after their own; without a name where she says so; not what waits", async () => {
    const assignment = await work({ look: "everything", classmates: "own first" });
    await show(assignment, "By the first.");
    expect(await classmates(assignment, 1)).toMatchObject({ open: false, pieces: [] });
    await show(assignment, "By the second.", 1);
    expect(await classmates(assignment, 1)).toMatchObject({ open: true, pieces: [] });
    value(
      await decideOn(
        (await queue()).items.find(({ value: is }) => is === "By the first.")!,
        "approved",
        { named: false },
      ),
    );
    expect((await classmates(assignment, 1)).pieces).toMatchObject([{ name: null, value: "By the first." }]);
    expect(await seen(assignment, 0)).toEqual([]);
  });

  test("closed from a set moment on; taken away by another rule, with undo", async () => {
    const assignment = await work({ classmates: "any time" });
    await show(assignment, "Here.");
    expect(await seen(assignment, 1)).toEqual(["Here."]);
    actAs(teacher());
    const closed = {
      ...plainSharing,
      classmates: "any time" as const,
      until: new Date(Date.now() - 1000).toISOString(),
    };
    const { event } = value(await changeRules({ assignments: [assignment], rules: { sharing: closed } }));
    expect(await seen(assignment, 1)).toEqual([]);
    actAs(teacher());
    const { effects } = value(await lookAtRules({ assignments: [assignment], rules: { sharing: plainSharing } }));
    expect(effects).toContain("Classmates no longer see each other's work. All of it is kept.");
    value(await undoPlan({ event }));
    expect(await seen(assignment, 1)).toEqual(["Here."]);
  });

  test("a child of another class, or without the work, gets the answer of what does not exist", async () => {
    const assignment = await work({ classmates: "any time" });
    await show(assignment, "Here.");
    const stranger = visitorOf(
      { id: world.students[0]! + 10_000, district: world.district, school: world.here },
      { kind: "student", roles: [] },
    );
    actAs(stranger);
    const request = new Request(`http://satchel.example/classmates?question=${asked.id}`);
    const response = await classmatesRoute(request, { params: Promise.resolve({ assignment: String(assignment) }) });
    expect(response.status).toBe(404);
  });
});

describe("replies", () => {
  const reply = (assignment: number, piece: number, text: string, at = 1) => {
    actAs(child(at));
    return replyToPiece({ assignment, question: asked.id, piece, text, voice: null });
  };

  test("wait as pieces do, and are seen by both when they are shown", async () => {
    const assignment = await work({ look: "everything", classmates: "any time", replies: "words" });
    await show(assignment, "Here.");
    value(await decideOn(await itemOf(assignment), "approved"));
    const [piece] = (await classmates(assignment, 1)).pieces;
    expect(value(await reply(assignment, piece!.id, "Nice!"))).toEqual({ waits: true });
    expect((await classmates(assignment, 0)).toMine).toEqual([]);
    expect((await classmates(assignment, 1)).pieces[0]!.replies).toMatchObject([
      { text: "Nice!", mine: true, waits: true },
    ]);
    const item = await itemOf(assignment);
    expect(item).toMatchObject({ kind: "reply", value: "Nice!" });
    actAs(teacher());
    value(await decideAboutReply({ assignment, reply: item.id, state: "shown" }));
    expect((await classmates(assignment, 0)).toMine).toMatchObject([{ text: "Nice!", mine: false }]);
    actAs(teacher());
    value(await decideAboutReply({ assignment, reply: item.id, state: "taken down" }));
    expect((await classmates(assignment, 0)).toMine).toEqual([]);
  });

  test("not where they are off, not to what is not seen, and not by voice where only words are allowed", async () => {
    const off = await work({ classmates: "any time" });
    await show(off, "Here.");
    const [shown] = (await classmates(off, 1)).pieces;
    expect(await reply(off, shown!.id, "Hi")).toMatchObject({ ok: false });
    const assignment = await work({ look: "everything", classmates: "any time", replies: "words" });
    await show(assignment, "Waiting.");
    expect(await reply(assignment, (await itemOf(assignment)).id, "Hi")).toMatchObject({ ok: false });
    value(await decideOn(await itemOf(assignment), "approved"));
    const [piece] = (await classmates(assignment, 1)).pieces;
    const voice = { media: "a".repeat(64), seconds: 3 };
    expect(await replyToPiece({ assignment, question: asked.id, piece: piece!.id, text: "", voice })).toMatchObject({
      ok: false,
    });
  });
});

test("a recording that is named has to be there, and to be a sound", async () => {
  const assignment = await work({ look: "everything", classmates: "any time", replies: "voice" });
  await show(assignment, "Here.");
  const item = await itemOf(assignment);
  const file = async (mime: string, letter: string) => {
    const sha256 = letter.repeat(64);
    await addMedia(db, { sha256, mime, bytes: 9, by: world.ines, at: new Date() });
    return { media: sha256, seconds: 3 };
  };
  const [picture, sound] = [await file("image/png", "b"), await file("audio/wav", "c")];
  const missing = { media: "d".repeat(64), seconds: 3 };
  for (const voice of [picture, missing])
    expect(await decideOn(item, "sent back", { voice })).toMatchObject({ ok: false, field: "voice" });
  value(await decideOn(item, "approved", { voice: sound }));
  expect((await page(assignment)).review!.pieces[asked.id]).toMatchObject([{ voice: sound }]);
  const [piece] = (await classmates(assignment, 1)).pieces;
  const say = (voice: object) =>
    replyToPiece({ assignment, question: asked.id, piece: piece!.id, text: "", voice: voice as typeof sound });
  expect(await say(missing)).toMatchObject({ ok: false });
  expect(value(await say(sound))).toEqual({ waits: true });
});

describe("work that is put away", () => {
  test("handed in, the child does not see it again; the teacher does", async () => {
    const assignment = await work({ putAway: true });
    await write(assignment, "A secret.");
    expect((await page(assignment)).values).toEqual({ [asked.id]: "A secret." });
    value(await handIn({ assignment }));
    const put = await page(assignment);
    expect(put).toMatchObject({ putAway: true, hidden: true, values: {}, marks: null });
    expect(put.document.steps).toEqual([]);
    expect((await workOf(db, assignment))[0]!.tries[0]!.responses).toMatchObject([{ value: "A secret." }]);
  });

  test("cannot be shown to classmates as well", async () => {
    actAs(teacher());
    const form = formFor((await publishFor(db, world.ines, writing)).id);
    const sharing = { ...plainSharing, putAway: true, classmates: "any time" as const };
    expect(await assignResources({ ...form, sharing })).toMatchObject({
      ok: false,
      problem: expect.stringContaining("classmates cannot see it") as string,
    });
  });
});

test("her phrases are hers, nine at most", async () => {
  actAs(teacher());
  value(await keepPhrases({ phrases: ["Tell me more.", "Yes!"] }));
  expect((await queue()).phrases).toEqual(["Tell me more.", "Yes!"]);
  expect((await reviewQueue(db, world.teodor, new Date(), "waiting")).phrases).not.toContain("Yes!");
  expect(await keepPhrases({ phrases: Array.from({ length: 10 }, (_, nth) => `Phrase ${nth}`) })).toMatchObject({
    ok: false,
  });
});
