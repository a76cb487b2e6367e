import { momentAt, schoolClock } from "../calendar/school-calendar";
import { isles } from "../calendar/testing/calendar";
import { withExtraTime } from "./extra-time";

const at = (date: string, time: string) => momentAt(date, time, isles.zone);
const longer = (opens: Date, due: Date, factor: number, closes: Date | null = null) => {
  const times = withExtraTime(isles, { opens, due, closes }, factor);
  const { date, time } = schoolClock(times.due, isles.zone);
  return { due: `${date} ${time}`, closes: times.closes };
};

describe("more time", () => {
  test("within a lesson the minutes are multiplied", () => {
    expect(longer(at("2026-12-01", "09:00"), at("2026-12-01", "09:40"), 1.5).due).toBe("2026-12-01 10:00");
    expect(longer(at("2026-12-01", "09:00"), at("2026-12-01", "09:40"), 2).due).toBe("2026-12-01 10:20");
  });

  test("over days the school days are, rounded up, at the same hour", () => {
    expect(longer(at("2026-11-26", "08:00"), at("2026-11-30", "15:00"), 1.5).due).toBe("2026-12-01 15:00");
    expect(longer(at("2026-11-26", "08:00"), at("2026-11-30", "15:00"), 1.25).due).toBe("2026-12-01 15:00");
    // Twice two school days from Thursday, over a weekend and Boat day.
    expect(longer(at("2026-11-26", "08:00"), at("2026-11-30", "15:00"), 2).due).toBe("2026-12-03 15:00");
  });

  test("the hour on the wall stays over a change of the clocks", () => {
    expect(longer(at("2026-10-22", "08:00"), at("2026-10-23", "15:00"), 2).due).toBe("2026-10-26 15:00");
  });

  test("a door that closes waits for anyone who has more time", () => {
    const due = at("2026-12-01", "09:40");
    expect(longer(at("2026-12-01", "09:00"), due, 1.5, due).closes).toEqual(at("2026-12-01", "10:00"));
  });

  test("no more time changes nothing, and more is never less", () => {
    const [opens, due] = [at("2026-11-26", "08:00"), at("2026-11-30", "15:00")];
    expect(withExtraTime(isles, { opens, due, closes: null }, 1)).toEqual({ opens, due, closes: null });
    for (const factor of [1.25, 1.5, 2])
      for (const hours of [0.5, 3, 20, 50, 200]) {
        const end = new Date(opens.getTime() + hours * 3_600_000);
        const times = withExtraTime(isles, { opens, due: end, closes: null }, factor);
        expect(times.due.getTime()).toBeGreaterThanOrEqual(end.getTime());
      }
  });
});
