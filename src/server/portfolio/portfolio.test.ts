import { plainSharing } from "@/core/review/sharing";
import { GET as getFile } from "@/app/media/portfolio/[token]/[sha256]/route";
import { addMedia } from "@/data/engine/media";
import { mineOf, piecesOf } from "@/data/portfolio/pieces";
import { newLesson } from "@/core/live/lesson";
import { openLesson } from "@/data/live/lessons";
import { addDays } from "@/core/calendar/school-calendar";
import { actAs, value, visitorOf } from "../testing/as";
import { check, child, db, newAssignment, openSchool, question, teacher, world } from "../testing/child-at-work";
import { handIn } from "../student/student-actions";
import { keepFile } from "../files/files";
import { chooseAsMine, giveReason, setInPortfolio } from "./child-actions";
import { openPortfolio } from "./open-portfolio";
import { atLink, portfolioForOthers, portfolioOf } from "./portfolio";
import {
  endShowing,
  putBackIntoPortfolio,
  putIntoPortfolio,
  showPortfolio,
  takeOutOfPortfolio,
} from "./portfolio-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/headers", () => ({ headers: async () => new Headers({ host: "satchel.example" }) }));

beforeAll(openSchool, 60_000);
afterAll(() => db.close());
const first = () => world.students[0]!;
const about = () => ({ class: world.class, student: first() });
const soon = addDays(new Date().toISOString().slice(0, 10) as never, 14);

/** The first child has done it and handed it in. */
async function done(more: object = {}): Promise<number> {
  const assignment = await newAssignment(more);
  value(await check(assignment, "a"));
  value(await handIn({ assignment }));
  return assignment;
}
/** The child has put it in; the piece. */
async function proudOf(more: object = {}): Promise<number> {
  const assignment = await done(more);
  value(await chooseAsMine({ assignment, chosen: true }));
  return (await piecesOf(db, first())).at(-1)!.id;
}

test("what she has handed in a child may put in, and take out again; twice put in is once", async () => {
  const assignment = await newAssignment();
  expect(await chooseAsMine({ assignment, chosen: true })).toMatchObject({ ok: false });
  value(await check(assignment, "a"));
  value(await handIn({ assignment }));
  value(await chooseAsMine({ assignment, chosen: true }));
  value(await chooseAsMine({ assignment, chosen: true }));
  expect(await mineOf(db, first())).toEqual([assignment]);
  value(await chooseAsMine({ assignment, chosen: false }));
  expect(await mineOf(db, first())).toEqual([]);
});

test("what is put away is not put in, by neither, and by the class's code nothing of earlier is touched", async () => {
  const away = await done({ sharing: { ...plainSharing, putAway: true } });
  expect(await chooseAsMine({ assignment: away, chosen: true })).toMatchObject({ ok: false });
  actAs(teacher());
  expect(await putIntoPortfolio({ ...about(), assignment: away, question: null })).toMatchObject({ ok: false });
  const piece = await proudOf();
  const [kept] = await piecesOf(db, first(), [piece]);
  actAs({ ...child(), joinedAt: new Date(Date.now() + 60_000) });
  expect(await chooseAsMine({ assignment: kept!.assignment, chosen: false })).toMatchObject({ ok: false });
  expect(await giveReason({ piece, why: "Somebody else", voice: null })).toMatchObject({ ok: false });
  expect(await setInPortfolio({ piece, there: false })).toMatchObject({ ok: false });
});

test("work of another child is not put in: the answer is that of what does not exist", async () => {
  const assignment = await done();
  actAs(child(1));
  expect(await chooseAsMine({ assignment, chosen: true })).toMatchObject({ ok: false });
  const piece = await proudOf();
  actAs(child(1));
  expect(await giveReason({ piece, why: "Mine!", voice: null })).toMatchObject({ ok: false, code: "notThere" });
  expect(await setInPortfolio({ piece, there: false })).toMatchObject({ ok: false, code: "notThere" });
});

test("a child says why, in words; what is not a recording is not kept as one, and taking out and putting back keeps the words", async () => {
  const piece = await proudOf();
  value(await giveReason({ piece, why: "I drew the seal myself.", voice: null }));
  const picture = await keepFile(new TextEncoder().encode("a picture"));
  await addMedia(db, { sha256: picture, mime: "image/png", bytes: 9, by: first(), at: new Date() });
  expect(await giveReason({ piece, why: "", voice: { media: picture, seconds: 2 } })).toMatchObject({ ok: false });
  value(await setInPortfolio({ piece, there: false }));
  expect(await piecesOf(db, first(), [piece])).toEqual([]);
  value(await setInPortfolio({ piece, there: true }));
  expect(await portfolioOf(db, first(), [piece])).toMatchObject([{ why: "I drew the seal myself.", byChild: true }]);
});

test("a teacher of the child in another class does not put in what she has not seen", async () => {
  const assignment = await done();
  const [other] = await db.query<{ id: number }>(
    "insert into class (school_id, name, subject, year, grade_from, grade_to) values ($1, 'Choir', 'music', 2026, 4, 6) returning id",
    [world.here],
  );
  await db.query("insert into class_teacher (class_id, person_id, role) values ($1, $2, 'lead')", [
    other!.id,
    world.teodor,
  ]);
  await db.query("insert into enrolment (class_id, student_id) values ($1, $2)", [other!.id, first()]);
  actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
  const put = { class: other!.id, student: first(), assignment, question: null };
  expect(await putIntoPortfolio(put)).toMatchObject({ ok: false });
  expect(await putIntoPortfolio({ ...put, class: world.class })).toMatchObject({ ok: false });
  await db.query("delete from class where id = $1", [other!.id]);
});

test("a teacher of the child puts one answer in, takes it out and puts it back; nobody else's teacher does", async () => {
  const assignment = await done();
  actAs(teacher());
  const put = { ...about(), assignment, question: question.id };
  const { piece, already } = value(await putIntoPortfolio(put));
  expect(already).toBe(false);
  expect(value(await putIntoPortfolio(put))).toEqual({ piece, already: true });
  expect(await putIntoPortfolio({ ...put, question: "no-such" })).toMatchObject({ ok: false });
  value(await takeOutOfPortfolio({ ...about(), piece }));
  value(await putBackIntoPortfolio({ ...about(), piece }));
  const [shown] = await portfolioOf(db, first(), [piece]);
  expect(shown).toMatchObject({ whole: false, byChild: false, answers: [{ question: question.id }] });
  // Never whether it was right.
  expect(JSON.stringify(shown)).not.toMatch(/"verdict"|"right"/);
  actAs(visitorOf({ id: world.judit, district: world.district, school: world.here }));
  expect(await takeOutOfPortfolio({ ...about(), piece })).toMatchObject({ ok: false });
  expect(await showPortfolio({ ...about(), pieces: [piece], until: soon })).toMatchObject({ ok: false });
});

test("a link shows what was chosen, until its day or until it is ended, and its address is kept nowhere", async () => {
  const [chosen, other] = [await proudOf(), await proudOf()];
  actAs(teacher());
  const { address, link } = value(await showPortfolio({ ...about(), pieces: [chosen], until: soon }));
  const token = address.split("/").at(-1)!;
  expect(JSON.stringify(await db.query("select * from portfolio_link"))).not.toContain(token);
  expect(await openPortfolio(db, token)).toMatchObject({ student: first(), pieces: [chosen] });
  const shown = await portfolioForOthers(db, first(), (await openPortfolio(db, token))!.pieces);
  expect(shown.map(({ id }) => id)).toEqual([chosen]);
  expect(shown.map(({ id }) => id)).not.toContain(other);
  actAs(child());
  value(await setInPortfolio({ piece: chosen, there: false }));
  expect(await portfolioForOthers(db, first(), [chosen])).toEqual([]);
  actAs(teacher());
  value(await endShowing({ ...about(), link }));
  expect(await openPortfolio(db, token)).toBeNull();
  const again = value(await showPortfolio({ ...about(), pieces: [other], until: soon }));
  await db.query("update portfolio_link set until = now() - interval '1 second'");
  expect(await openPortfolio(db, again.address.split("/").at(-1)!)).toBeNull();
  for (const wrong of ["", "short", "A".repeat(22), "../../etc/passwd"])
    expect(await openPortfolio(db, wrong)).toBeNull();
});

test("a link has an end within a year, and leads to pieces of this child only", async () => {
  const piece = await proudOf();
  actAs(teacher());
  const show = (more: object) => showPortfolio({ ...about(), pieces: [piece], until: soon, ...more });
  expect(await show({ until: "2020-01-01" })).toMatchObject({ ok: false, field: "until" });
  expect(await show({ until: "2099-01-01" })).toMatchObject({ ok: false, field: "until" });
  expect(await show({ pieces: [] })).toMatchObject({ ok: false });
  expect(await show({ student: world.students[1]! })).toMatchObject({ ok: false });
});

test("a recording is reached by the link that shows it, and by no other", async () => {
  const piece = await proudOf();
  const media = await keepFile(new TextEncoder().encode("RIFF a voice"));
  await addMedia(db, { sha256: media, mime: "audio/wav", bytes: 12, by: first(), at: new Date() });
  value(await giveReason({ piece, why: "", voice: { media, seconds: 2 } }));
  const [shown] = atLink(await portfolioForOthers(db, first(), [piece]), "token");
  expect(shown!.voice!.media).toBe(`portfolio/token/${media}`);
  expect(shown!.handedIn.getTime()).toBeGreaterThan(0);
  const other = await proudOf();
  actAs(teacher());
  const fetched = async (pieces: number[]) => {
    actAs(teacher());
    const { address } = value(await showPortfolio({ ...about(), pieces, until: soon }));
    actAs(null);
    const token = address.split("/").at(-1)!;
    return (await getFile(new Request("http://satchel.example"), { params: Promise.resolve({ token, sha256: media }) }))
      .status;
  };
  expect(await fetched([piece])).toBe(200);
  expect(await fetched([other])).toBe(404);
});

test("no name of a classmate and nothing written with others is in what a family sees", async () => {
  await db.query("update person set given_name = 'Zoë', family_name = 'Fell' where id = $1", [world.students[1]]);
  const piece = await proudOf();
  value(await giveReason({ piece, why: "zoe helped me, and Zoë's drawing is next to mine.", voice: null }));
  const [shown] = await portfolioForOthers(db, first(), [piece]);
  expect(shown!.why).toBe("… helped me, and …'s drawing is next to mine.");
  const [kept] = await piecesOf(db, first(), [piece]);
  await openLesson(db, { assignment: kept!.assignment, by: world.ines, state: newLesson(), at: new Date() });
  await db.query(
    `insert into shared_page (lesson_id, step_id, members, begun, bytes)
     select l.id, r.step_id, $3::int[], now(), 5 from lesson l, response r
      where l.assignment_id = $1 and r.attempt_id = $2 limit 1`,
    [kept!.assignment, kept!.attempt, [first(), world.students[1]]],
  );
  expect(await portfolioOf(db, first(), [piece])).toMatchObject([{ answers: [], together: 1 }]);
  expect(await portfolioForOthers(db, first(), [piece])).toEqual([]);
  actAs(teacher());
  expect(await showPortfolio({ ...about(), pieces: [piece], until: soon })).toMatchObject({ ok: false });
});
