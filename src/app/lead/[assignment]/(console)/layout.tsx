import type { ReactNode } from "react";
import { chosenClass } from "@/server/classes/chosen-class";
import { enter } from "@/server/web/page";
import { TeacherBar } from "../../../teacher-bar";

/** Without the week strip: while a lesson runs the room needs the whole screen. */
export default async function LeadLayout({ children }: { children: ReactNode }) {
  const { db, visitor, now } = await enter("see own classes");
  const { classes, current } = await chosenClass(db, visitor, now);
  return (
    <div className="flex h-dvh flex-col">
      <TeacherBar db={db} visitor={visitor} classes={classes} current={current} now={now} />
      <main id="main" className="min-h-0 flex-1 overflow-auto">
        {children}
      </main>
    </div>
  );
}
