import { redirect } from "next/navigation";
import { ledNow } from "@/data/live/lessons";
import { guestOf } from "@/data/classes/guests";
import { shelvesFor } from "@/data/reading/shelves";
import { badgeOf } from "@/data/student/badge";
import { piecesOf } from "@/data/portfolio/pieces";
import { countEarlier, ownAssignments } from "@/data/student/work";
import { StudentHome } from "@/screens/student/home";
import { seenByCode } from "@/server/student/by-code";
import { languagesThereAre, screenTitle } from "@/server/web/screen-language";
import { enter } from "@/server/web/page";

export const generateMetadata = () => screenTitle("myWork");

/** How long something done or closed stays on the page: by the end of a year there are hundreds of pieces. */
const RECENT_DAYS = 21;

export default async function StudentPage({ searchParams }: { searchParams: Promise<{ earlier?: string }> }) {
  const { db, visitor, now } = await enter("see own work");
  // By the class's code only today's work is seen.
  const everything = visitor.joinedAt !== null || (await searchParams).earlier !== undefined;
  const recent = new Date(now.getTime() - RECENT_DAYS * 86_400_000);
  // A guest came for one piece of work, and has no other page.
  const [guest, all, earlier, badge, pieces, shelves] = await Promise.all([
    guestOf(db, visitor.id),
    ownAssignments(db, visitor.id, visitor.joinedClass, everything ? undefined : recent),
    visitor.joinedAt === null ? countEarlier(db, visitor.id, null, recent) : 0,
    badgeOf(db, visitor.id),
    visitor.joinedAt === null ? piecesOf(db, visitor.id) : null,
    visitor.joinedAt === null ? shelvesFor(db, visitor.id) : [],
  ]);
  if (guest !== null) redirect(`/student/${guest}`);
  const assignments = all.filter((assigned) => seenByCode(visitor, assigned, now));
  return (
    <StudentHome
      student={visitor.id}
      name={visitor.givenName}
      assignments={assignments}
      earlier={earlier > 0 ? { count: earlier, shown: everything } : null}
      led={await ledNow(
        db,
        assignments.map(({ assignment }) => assignment),
        now,
      )}
      byCode={visitor.joinedAt !== null}
      badge={badge}
      pieces={pieces?.length ?? null}
      reads={shelves.length > 0}
      screens={languagesThereAre}
      zone={visitor.zone}
      now={now}
    />
  );
}
