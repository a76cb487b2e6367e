import { badgeNumber } from "@/core/student/badge";
import { plainComfort } from "@/core/student/comfort";
import { comfortOf } from "@/data/student/comfort";
import { badgeOf } from "@/data/student/badge";
import { actAs, value } from "../testing/as";
import { child, db, openSchool, world } from "../testing/child-at-work";
import { keepComfort } from "./comfort-actions";
import { chooseBadge } from "./badge-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

beforeAll(openSchool, 60_000);
afterAll(() => db.close());
const [first, second] = [() => world.students[0]!, () => world.students[1]!];

test("a child is known by a picture from the first day, and may choose another", async () => {
  actAs(child());
  expect(await badgeOf(db, first())).toBe(badgeNumber(first(), null));
  value(await chooseBadge({ badge: 9 }));
  expect(await badgeOf(db, first())).toBe(9);
  expect(await chooseBadge({ badge: 64 })).toMatchObject({ ok: false });
  actAs({ ...child(), joinedAt: new Date() });
  expect(await chooseBadge({ badge: 3 })).toMatchObject({ ok: false });
});

test("how a child likes to read is hers alone", async () => {
  actAs(child());
  value(await keepComfort({ ...plainComfort, size: "larger", ruler: true }));
  expect(await comfortOf(db, first())).toEqual({ ...plainComfort, size: "larger", ruler: true });
  expect(await comfortOf(db, second())).toEqual(plainComfort);
  expect(await keepComfort({ ...plainComfort, size: "huge" as "large" })).toMatchObject({ ok: false });
});
