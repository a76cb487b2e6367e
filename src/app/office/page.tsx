import type { Metadata } from "next";
import { calendarOf, meetingRulesOf } from "@/data/calendar";
import { classesAt } from "@/data/classes";
import { OfficeScreen } from "@/screens/office/office-screen";
import { enter } from "@/server/page";
import { schoolOf } from "@/server/school-of";

export const metadata: Metadata = { title: "School office" };

export default async function OfficePage() {
  const { db, visitor, now } = await enter("change the school's calendar");
  const school = schoolOf(visitor);
  const classes = await classesAt(db, school);
  const [calendar, rules] = await Promise.all([
    calendarOf(db, school),
    meetingRulesOf(
      db,
      classes.map(({ id }) => id),
    ),
  ]);
  return <OfficeScreen calendar={calendar} classes={classes} rules={rules} now={now} />;
}
