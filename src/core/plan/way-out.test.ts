import { CROWDED, waysOut, type DueWork } from "./way-out";

const days = ["2026-12-01", "2026-12-02", "2026-12-03", "2026-12-04", "2026-12-07"];
const work = (id: number, students: number[], opens = "2026-11-30"): DueWork => ({ id, students, opens });
const loads = (list: Record<string, Record<number, number>>) =>
  new Map(
    Object.entries(list).map(([date, counts]) => [
      date,
      new Map(Object.entries(counts).map(([student, count]) => [Number(student), count])),
    ]),
  );
const to = (works: DueWork[], list: Record<string, Record<number, number>>, date = "2026-12-03") =>
  waysOut(date, works, days, loads(list)).map((one) => one.to);

describe("a way out of a crowded day", () => {
  test("the next day of school, where nobody has too much then", () => {
    expect(to([work(1, [7, 8])], {})).toEqual(["2026-12-04"]);
  });

  test("over a weekend, and past days that would be crowded for any of its students", () => {
    expect(to([work(1, [7, 8])], { "2026-12-04": { 8: CROWDED - 1 }, "2026-12-02": { 7: CROWDED - 1 } })).toEqual([
      "2026-12-07",
    ]);
    // For another child that day is free.
    expect(to([work(1, [7])], { "2026-12-04": { 8: CROWDED - 1 } })).toEqual(["2026-12-04"]);
  });

  test("earlier where that is nearer, but never before it opens", () => {
    const busy = { "2026-12-04": { 7: 2 } };
    expect(to([work(1, [7])], busy)).toEqual(["2026-12-02"]);
    expect(to([work(1, [7], "2026-12-03")], busy)).toEqual(["2026-12-07"]);
  });

  test("from a day that is no day of school", () => {
    expect(to([work(1, [7])], {}, "2026-12-05")).toEqual(["2026-12-07"]);
  });

  test("none where every day is full", () => {
    expect(to([work(1, [7])], Object.fromEntries(days.map((day) => [day, { 7: 2 }])))).toEqual([null]);
  });

  test("on any term, what it names is free for all who have the work", () => {
    let seed = 5;
    const random = (below: number) => (seed = (seed * 48271) % 2147483647) % below;
    for (let round = 0; round < 200; round += 1) {
      const list = Object.fromEntries(days.map((day) => [day, { 1: random(4), 2: random(4), 3: random(4) }]));
      const works = [work(1, [1, 2]), work(2, [3], days[random(5)])];
      for (const [at, found] of to(works, list).entries()) {
        const free = days.filter(
          (day) =>
            day !== "2026-12-03" &&
            day >= works[at]!.opens &&
            works[at]!.students.every((student) => list[day]![student as 1 | 2 | 3] + 1 < CROWDED),
        );
        if (found === null) expect(free).toEqual([]);
        else expect(free).toContain(found);
      }
    }
  });
});
