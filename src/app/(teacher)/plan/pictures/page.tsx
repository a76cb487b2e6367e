import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { formatDay } from "@/core/calendar/format-moment";
import { PlainDate } from "@/core/calendar/plain-date";
import { momentAt, schoolClock, schoolDaysLater } from "@/core/calendar/school-calendar";
import { idFrom } from "@/core/ids";
import { calendarOf } from "@/data/plan/calendar";
import { DayPicturesScreen } from "@/screens/pictures/day-pictures-screen";
import { chosenClass } from "@/server/classes/chosen-class";
import { dayInPictures } from "@/server/plan/day-pictures";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "The day in pictures" };

/** A class's day in pictures: `?class=` which class, else the one in the bar; `?day=` which day, else today. */
export default async function DayPicturesPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const asked = await searchParams;
  const { db, visitor, now } = await enter("see own classes");
  const { classes, current } = await chosenClass(db, visitor, now);
  const id = idFrom(asked.class);
  const group = id === undefined ? (current ?? classes[0]) : classes.find((one) => one.id === id);
  if (!group) notFound();
  const calendar = await calendarOf(db, group.school);
  const day = PlainDate.safeParse(asked.day).data ?? schoolClock(now, calendar.zone).date;
  const at = momentAt(day, "12:00", calendar.zone);
  return (
    <DayPicturesScreen
      key={`${group.id} ${day}`}
      group={group.id}
      className={group.name}
      day={day}
      dayName={formatDay(at, calendar.zone, at)}
      days={{
        before: schoolDaysLater(calendar, day, -1) ?? day,
        after: schoolDaysLater(calendar, day, 1) ?? day,
      }}
      start={await dayInPictures(db, visitor, group, day)}
    />
  );
}
