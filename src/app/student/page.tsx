import { redirect } from "next/navigation";
import { ledNow } from "@/data/live/lessons";
import { guestOf } from "@/data/classes/guests";
import { shelvesFor } from "@/data/reading/shelves";
import { badgeOf } from "@/data/student/badge";
import { piecesOf } from "@/data/portfolio/pieces";
import { ownAssignments } from "@/data/student/work";
import { StudentHome } from "@/screens/student/home";
import { seenByCode } from "@/server/student/by-code";
import { languagesThereAre, screenTitle } from "@/server/web/screen-language";
import { enter } from "@/server/web/page";

export const generateMetadata = () => screenTitle("myWork");

export default async function StudentPage() {
  const { db, visitor, now } = await enter("see own work");
  // A guest came for one piece of work, and has no other page.
  const [guest, all, badge, pieces, shelves] = await Promise.all([
    guestOf(db, visitor.id),
    ownAssignments(db, visitor.id, visitor.joinedClass),
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
