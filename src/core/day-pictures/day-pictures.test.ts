import { DayParts, proposeDay, type DayLesson } from "./day-pictures";

let made = 0;
const newId = () => `p${(made += 1)}`;
const at = (starts: string, ends: string, label: string, ...titles: string[]): DayLesson => ({
  ...{ starts, ends, label },
  works: titles.map((title) => ({ title, subjects: [] })),
});
const said = (lessons: readonly DayLesson[]) =>
  proposeDay(lessons, newId).map(({ picture, text, time }) => `${time} ${picture}: ${text}`);

test("a day goes from coming to going home, with breaks and lunch where there is time between lessons", () => {
  expect(
    said([
      at("13:00", "13:45", "Music"),
      at("08:50", "09:35", "Mathematics", "Ferry fares"),
      at("09:50", "10:35", "Science"),
      at("10:40", "11:30", "Reading", "The keeper’s letter", "Another"),
    ]),
  ).toEqual([
    " arrive: Good morning",
    "8:50 numbers: Mathematics: Ferry fares",
    "9:35 break: Break",
    "9:50 science: Science",
    "10:40 reading: Reading: The keeper’s letter",
    "11:30 lunch: Lunch",
    "13:00 music: Music",
    "13:45 home: Home",
  ]);
});

test("a long time between two lessons is lunch at noon only", () => {
  const free = (ends: string, starts: string) => said([at("08:00", ends, "A"), at(starts, "15:00", "B")])[2];
  expect([free("09:35", "10:45"), free("12:15", "13:00")]).toEqual(["9:35 break: Break", "12:15 lunch: Lunch"]);
});

test("a lesson without a name is shown by what is planned in it", () => {
  const planned = { ...at("09:00", "09:45", ""), works: [{ title: "Kelp", subjects: ["science"] }] };
  expect(said([planned])[1]).toBe("9:00 science: Kelp");
  expect(said([at("09:00", "09:45", "")])[1]).toBe("9:00 group: Lesson");
});

test("a day without lessons has no parts, and one with many has as many as can be kept", () => {
  expect(said([])).toEqual([]);
  const many = Array.from({ length: 15 }, (_, hour) => at(`${hour + 8}:00`, `${hour + 8}:40`, "x".repeat(100)));
  expect(DayParts.safeParse(proposeDay(many, newId)).success).toBe(true);
});
