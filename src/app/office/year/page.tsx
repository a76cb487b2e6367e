import type { Metadata } from "next";
import { schoolClock } from "@/core/calendar/school-calendar";
import { calendarOf } from "@/data/plan/calendar";
import { YearScreen } from "@/screens/office/year/year-screen";
import { schoolOf } from "@/server/office/school-of";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "A school year, step by step" };

export default async function YearPage() {
  const { db, visitor, now } = await enter("change the school's calendar");
  const calendar = await calendarOf(db, schoolOf(visitor));
  return <YearScreen calendar={calendar} today={schoolClock(now, calendar.zone).date} />;
}
