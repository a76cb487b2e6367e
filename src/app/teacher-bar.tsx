import { TopBar } from "@/screens/shell/top-bar";
import { waitingFor } from "@/data/review/queue";
import { waitingOn } from "@/data/share/offers";
import type { Db } from "@/data/engine/db";
import type { Visitor } from "@/server/web/session";
import type { Class } from "@/data/classes/classes";

const bare = (group: { id: number; name: string }) => ({ id: group.id, name: group.name });

/** The bar above a teacher's or curator's page. */
export async function TeacherBar({
  db,
  visitor,
  classes,
  current,
  now,
}: {
  db: Db;
  visitor: Visitor;
  classes: readonly Class[];
  current: Class | null;
  now: Date;
}) {
  return (
    <TopBar
      name={`${visitor.givenName} ${visitor.familyName}`}
      classes={classes.map(bare)}
      current={current && bare(current)}
      teaches={visitor.roles.includes("teacher")}
      office={visitor.roles.includes("office")}
      waiting={visitor.roles.includes("teacher") ? await waitingFor(db, visitor.id, now) : 0}
      desk={visitor.roles.includes("curator") ? await waitingOn(db, visitor.district, visitor.id) : null}
    />
  );
}
