import { ownAssignment } from "@/data/student/work";
import { followAsStudent } from "@/server/live/follow-as-student";
import { rememberAllowed } from "@/server/student/keep-quickly";
import { eventStream } from "@/server/web/live-stream";
import { numberFrom, route } from "@/server/web/route";
import { sessionHash } from "@/server/web/session";

/** How the lesson stands, for one student's screen. While it is open the teacher sees that the student is there. */
export const GET = route(
  "do assignment",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  async ({ db, visitor, params, request }) => {
    const assignment = numberFrom(params, "assignment");
    const session = await sessionHash();
    // Anyone who has the work open answers soon, and a whole class does so at once.
    if (session)
      await rememberAllowed(
        db,
        session,
        visitor,
        (await ownAssignment(db, visitor.id, assignment, visitor.joinedClass))!,
      );
    return eventStream(request, (send) => followAsStudent(db, assignment, visitor.id, send));
  },
);
