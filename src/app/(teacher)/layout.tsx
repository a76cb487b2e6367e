import { cookies } from "next/headers";
import type { ReactNode } from "react";
import { AssignmentLinks } from "@/screens/assign/assignment-link";
import { Carrying } from "@/screens/shell/carrying";
import { WeekStrip } from "@/screens/shell/week-strip";
import { chosenClass } from "@/server/classes/chosen-class";
import { enter } from "@/server/web/page";
import { weekStrip } from "@/server/plan/week-strip";
import { TeacherBar } from "../teacher-bar";

export default async function TeacherLayout({ children }: { children: ReactNode }) {
  const { db, visitor, now } = await enter("see the teachers' pages");
  const teaches = visitor.roles.includes("teacher");
  const { classes, current } = teaches ? await chosenClass(db, visitor, now) : { classes: [], current: null };
  const days = current ? await weekStrip(db, visitor, current, now) : [];
  const closed = (await cookies()).get("strip")?.value === "closed";
  return (
    <Carrying>
      <div className="flex h-dvh flex-col print:h-auto">
        <TeacherBar db={db} visitor={visitor} classes={classes} current={current} now={now} />
        <main id="main" className="min-h-0 flex-1">
          {children}
        </main>
        <AssignmentLinks />
        {days.some((day) => day.meetings.length > 0) && <WeekStrip days={days} closed={closed} />}
      </div>
    </Carrying>
  );
}
