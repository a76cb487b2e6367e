import { classesOfStudent } from "@/data/classes/classes";
import { eventStream } from "@/server/web/live-stream";
import { route } from "@/server/web/route";
import { watch } from "@/server/web/watch";

/** A line each time a lesson begins or ends in one of the student's classes. */
export const GET = route(
  "see own work",
  () => ({}),
  async ({ db, visitor, request }) =>
    eventStream(request, async (send) => {
      const changed = () => void send("changed");
      const classes = visitor.joinedClass !== null ? [visitor.joinedClass] : await classesOfStudent(db, visitor.id);
      const stops = await Promise.all(classes.map((id) => watch(db, "class", id, changed, changed)));
      return () => stops.forEach((stop) => stop());
    }),
);
