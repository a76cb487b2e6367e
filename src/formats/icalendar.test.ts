import ICAL from "ical.js";
import { CalendarError, readDaysOff, writeCalendar, type CalendarEvent } from "./icalendar";

const event: CalendarEvent = {
  uid: "assignment-12-due@golden-satchel",
  title: "Due: Reading a tide table; part 1, at sea\nand ashore",
  text: "5 Kittiwake",
  starts: new Date("2026-12-03T15:00:00Z"),
  ends: new Date("2026-12-03T15:00:00Z"),
  address: "https://satchel.example/student/12",
  changed: new Date("2026-11-25T10:00:00Z"),
};

describe("the calendar of a class", () => {
  const text = writeCalendar("5 Kittiwake", [
    event,
    { ...event, uid: "assignment-12-opens@golden-satchel", title: "Tides", ends: new Date("2026-12-03T15:45:00Z") },
  ]);

  test("is read back as it was written, commas, semicolons and new lines too", () => {
    const [first, second] = new ICAL.Component(ICAL.parse(text) as never)
      .getAllSubcomponents("vevent")
      .map((one) => new ICAL.Event(one));
    expect(first!.summary).toBe(event.title);
    expect(first!.startDate.toJSDate()).toEqual(event.starts);
    expect(first!.uid).toBe(event.uid);
    expect(second!.endDate.toJSDate()).toEqual(new Date("2026-12-03T15:45:00Z"));
  });

  test("keeps to the form: lines of at most 75 octets ended by CR LF, a version and a maker", () => {
    const lines = text.split("\r\n");
    expect(lines[0]).toBe("BEGIN:VCALENDAR");
    expect(lines.at(-2)).toBe("END:VCALENDAR");
    expect(text).toContain("VERSION:2.0\r\n");
    for (const line of lines) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    expect(text.replaceAll("\r\n", "")).not.toContain("\n");
  });
});

const calendar = (...lines: string[]) => ["BEGIN:VCALENDAR", "VERSION:2.0", ...lines, "END:VCALENDAR"].join("\r\n");
const entry = (...lines: string[]) => ["BEGIN:VEVENT", "UID:1", ...lines, "END:VEVENT"];
const read = (...lines: string[]) => readDaysOff(calendar(...entry(...lines)), "1997-08-01", "1998-12-31");
const dates = (...lines: string[]) => read(...lines).days.map(({ date }) => date);

describe("days off from a calendar file", () => {
  test("a single day, and several with the end left out as the standard says", () => {
    expect(read("SUMMARY:Boat day", "DTSTART;VALUE=DATE:19971002")).toEqual({
      days: [{ date: "1997-10-02", name: "Boat day" }],
      problems: [],
    });
    expect(dates("DTSTART;VALUE=DATE:19971224", "DTEND;VALUE=DATE:19971227")).toEqual([
      "1997-12-24",
      "1997-12-25",
      "1997-12-26",
    ]);
  });

  // Vectors of RFC 5545, 3.8.5.3.
  test.each([
    ["MO", ["1997-08-05", "1997-08-10", "1997-08-19", "1997-08-24"]],
    ["SU", ["1997-08-05", "1997-08-17", "1997-08-19", "1997-08-31"]],
  ])("every second week on two days, the week beginning on %s", (start, expected) => {
    expect(
      dates("DTSTART;VALUE=DATE:19970805", `RRULE:FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=${start}`),
    ).toEqual(expected);
  });

  test("the last working day but one of each month", () => {
    expect(dates("DTSTART;VALUE=DATE:19970929", "RRULE:FREQ=MONTHLY;COUNT=7;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-2")).toEqual(
      ["1997-09-29", "1997-10-30", "1997-11-27", "1997-12-30", "1998-01-29", "1998-02-26", "1998-03-30"],
    );
  });

  test.each([
    ["FREQ=YEARLY;COUNT=3;BYDAY=20MO", "19970519", ["1998-05-18"]],
    ["FREQ=YEARLY;COUNT=3;BYWEEKNO=20;BYDAY=MO", "19970512", ["1998-05-11"]],
  ])("%s, where readers differ", (rule, start, expected) => {
    expect(dates(`DTSTART;VALUE=DATE:${start}`, `RRULE:${rule}`)).toEqual(expected);
  });

  test("without its exceptions", () => {
    expect(dates("DTSTART;VALUE=DATE:19970905", "RRULE:FREQ=WEEKLY;COUNT=3", "EXDATE;VALUE=DATE:19970912")).toEqual([
      "1997-09-05",
      "1997-09-19",
    ]);
  });

  test("an event with a time of day is left out and named; the rest is taken", () => {
    const text = calendar(
      ...entry("SUMMARY:Staff meeting", "DTSTART:19971002T150000Z"),
      ...entry("SUMMARY:Boat day", "DTSTART;VALUE=DATE:19971003"),
    );
    expect(readDaysOff(text, "1997-08-01", "1998-12-31")).toEqual({
      days: [{ date: "1997-10-03", name: "Boat day" }],
      problems: ["“Staff meeting” has a time of day: only whole days are taken."],
    });
  });

  test("a length instead of an end; what was cancelled is none; an impossible day and a bad rule spoil only themselves", () => {
    const text = calendar(
      ...entry("SUMMARY:Storm days", "DTSTART;VALUE=DATE:19971002", "DURATION:P2D"),
      ...entry("SUMMARY:Boat day", "DTSTART;VALUE=DATE:19971009", "STATUS:CANCELLED"),
      ...entry("SUMMARY:Never", "DTSTART;VALUE=DATE:19970231"),
      ...entry("SUMMARY:Each tide", "DTSTART;VALUE=DATE:19971010", "RRULE:FREQ=TIDALLY"),
      ...entry("SUMMARY:Harvest", "DTSTART;VALUE=DATE:19971016"),
    );
    const { days, problems } = readDaysOff(text, "1997-08-01", "1998-12-31");
    expect(days).toEqual([
      { date: "1997-10-02", name: "Storm days" },
      { date: "1997-10-03", name: "Storm days" },
      { date: "1997-10-16", name: "Harvest" },
    ]);
    expect(problems).toEqual([expect.stringContaining("“Never”"), expect.stringContaining("“Each tide”")]);
  });

  test("what is no calendar says so", () => {
    expect(() => readDaysOff("Name,Grade\nAisha,5", "1997-08-01", "1998-12-31")).toThrow(CalendarError);
    expect(() => readDaysOff("", "1997-08-01", "1998-12-31")).toThrow(CalendarError);
    expect(() => readDaysOff("BEGIN:VEVENT\r\nEND:VEVENT", "1997-08-01", "1998-12-31")).toThrow(CalendarError);
  });
});
