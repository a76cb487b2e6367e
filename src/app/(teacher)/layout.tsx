import type { ReactNode } from "react";
import { TopBar } from "@/screens/shell/top-bar";
import { chosenClass } from "@/server/chosen-class";
import { enter } from "@/server/page";

export default async function TeacherLayout({ children }: { children: ReactNode }) {
  const { db, visitor, now } = await enter("see own classes");
  const { classes, current } = await chosenClass(db, visitor, now);
  const bare = (group: { id: number; name: string }) => ({ id: group.id, name: group.name });
  return (
    <div className="flex h-dvh flex-col print:h-auto">
      <TopBar
        name={`${visitor.givenName} ${visitor.familyName}`}
        classes={classes.map(bare)}
        current={current && bare(current)}
      />
      <main id="main" className="min-h-0 flex-1">
        {children}
      </main>
    </div>
  );
}
