import type { MeetingRule, SchoolCalendar } from "../school-calendar";

/** A school of the islands in the winter of 2026: lessons at 9 and at 1, Boat day on Wed 2 Dec, terms end on 18 Dec. */
export const isles: SchoolCalendar = {
  zone: "Europe/London",
  weekdays: [1, 2, 3, 4, 5],
  terms: [
    { name: "Tides term", from: "2026-08-31", to: "2026-12-18" },
    { name: "Lights term", from: "2027-01-04", to: "2027-03-31" },
  ],
  daysOff: [{ date: "2026-12-02", name: "Boat day", kind: "off", until: null }],
  classDaysOff: [],
  cycle: [],
  bells: [1, 2, 3, 4, 5].flatMap((weekday) => [
    { weekday, period: 1, starts: "09:00", ends: "09:45" },
    { weekday, period: 2, starts: "13:00", ends: "14:00" },
  ]),
};

/** Maths in the first period of every day. */
export const daily: MeetingRule[] = [{ class: 1, label: "Maths", period: 1, weekday: null, cycleDay: null }];
