import { cookies } from "next/headers";
import type { ReactNode } from "react";
import { AssignmentLinks } from "@/screens/assign/assignment-link";
import { Carrying } from "@/screens/shell/carrying";
import { TopBar } from "@/screens/shell/top-bar";
import { WeekStrip } from "@/screens/shell/week-strip";
import { chosenClass } from "@/server/classes/chosen-class";
import { waitingOn } from "@/data/share/offers";
import { enter } from "@/server/web/page";
import { weekStrip } from "@/server/plan/week-strip";

export default async function TeacherLayout({ children }: { children: ReactNode }) {
  const { db, visitor, now } = await enter("see the teachers' pages");
  const teaches = visitor.roles.includes("teacher");
  const { classes, current } = teaches ? await chosenClass(db, visitor, now) : { classes: [], current: null };
  const bare = (group: { id: number; name: string }) => ({ id: group.id, name: group.name });
  const days = current ? await weekStrip(db, visitor, current, now) : [];
  const closed = (await cookies()).get("strip")?.value === "closed";
  return (
    <Carrying>
      <div className="flex h-dvh flex-col print:h-auto">
        <TopBar
          name={`${visitor.givenName} ${visitor.familyName}`}
          classes={classes.map(bare)}
          current={current && bare(current)}
          teaches={teaches}
          office={visitor.roles.includes("office")}
          desk={visitor.roles.includes("curator") ? await waitingOn(db, visitor.district, visitor.id) : null}
        />
        <main id="main" className="min-h-0 flex-1">
          {children}
        </main>
        <AssignmentLinks />
        {days.some((day) => day.meetings.length > 0) && <WeekStrip days={days} closed={closed} />}
      </div>
    </Carrying>
  );
}
