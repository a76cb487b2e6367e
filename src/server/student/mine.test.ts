import { badgeNumber } from "@/core/student/badge";
import { plainSharing } from "@/core/review/sharing";
import { plainComfort } from "@/core/student/comfort";
import { comfortOf } from "@/data/student/comfort";
import { badgeOf, mineOf } from "@/data/student/mine";
import { actAs, value } from "../testing/as";
import { check, child, db, given, openSchool, teacher, world } from "../testing/child-at-work";
import { keepComfort } from "./comfort-actions";
import { chooseAsMine, chooseBadge } from "./mine-actions";
import { handIn } from "./student-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

beforeAll(openSchool, 60_000);
afterAll(() => db.close());
const [first, second] = [() => world.students[0]!, () => world.students[1]!];
const byCode = { joinedAt: new Date(Date.now() + 60_000) };

test("what she has handed in a child may choose as hers, and take out again; twice chosen is once", async () => {
  const assignment = await given();
  expect(await chooseAsMine({ assignment, chosen: true })).toMatchObject({ ok: false });
  value(await check(assignment, "a"));
  value(await handIn({ assignment }));
  value(await chooseAsMine({ assignment, chosen: true }));
  value(await chooseAsMine({ assignment, chosen: true }));
  expect(await mineOf(db, first())).toEqual([assignment]);
  value(await chooseAsMine({ assignment, chosen: false }));
  expect(await mineOf(db, first())).toEqual([]);
});

test("what is put away is not taken out by it, and by the class's code nothing of earlier is touched", async () => {
  const away = await given({ sharing: { ...plainSharing, putAway: true } });
  value(await check(away, "a"));
  value(await handIn({ assignment: away }));
  expect(await chooseAsMine({ assignment: away, chosen: true })).toMatchObject({ ok: false });
  const assignment = await given();
  value(await check(assignment, "a"));
  value(await handIn({ assignment }));
  actAs({ ...child(), ...byCode });
  expect(await chooseAsMine({ assignment, chosen: true })).toMatchObject({ ok: false });
  expect(await chooseBadge({ badge: 3 })).toMatchObject({ ok: false });
});

test("work of another child is not chosen: the answer is that of what does not exist", async () => {
  const assignment = await given();
  actAs(teacher());
  expect(await chooseAsMine({ assignment, chosen: true })).toMatchObject({ ok: false, code: "notThere" });
});

test("a child is known by a picture from the first day, and may choose another", async () => {
  actAs(child());
  expect(await badgeOf(db, first())).toBe(badgeNumber(first(), null));
  value(await chooseBadge({ badge: 9 }));
  expect(await badgeOf(db, first())).toBe(9);
  expect(await chooseBadge({ badge: 64 })).toMatchObject({ ok: false });
});

test("how a child likes to read is hers alone", async () => {
  actAs(child());
  value(await keepComfort({ ...plainComfort, size: "larger", ruler: true }));
  expect(await comfortOf(db, first())).toEqual({ ...plainComfort, size: "larger", ruler: true });
  expect(await comfortOf(db, second())).toEqual(plainComfort);
  expect(await keepComfort({ ...plainComfort, size: "huge" as "large" })).toMatchObject({ ok: false });
});
