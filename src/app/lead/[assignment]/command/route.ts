import { z } from "zod";
import { LessonCommand } from "@/core/live/lesson";
import { announcePassing } from "@/data/live/lessons";
import { obey } from "@/server/live/obey";
import { numberFrom, route } from "@/server/web/route";

const Coordinate = z.number().min(-500).max(4000).transform(Math.round);
const Asked = z.union([
  LessonCommand,
  /** Where she points, for a moment: told, and not kept. */
  z.object({ do: z.literal("point"), on: z.string().max(40).nullable(), x: Coordinate, y: Coordinate }),
]);

/** What a teacher who leads does. A route and not an action: actions of one page wait for each other, and a pointer cannot wait. */
export const POST = route(
  "lead a lesson",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  async ({ db, visitor, now, params, body }) => {
    const assignment = numberFrom(params, "assignment");
    if (body.do === "point") {
      const { on, x, y } = body;
      await announcePassing(db, assignment, { kind: "point", on, x, y });
      return Response.json({});
    }
    const obeyed = await obey(db, { assignment, by: visitor.id, asked: body, now });
    return Response.json(obeyed, { status: "problem" in obeyed ? 409 : 200 });
  },
  Asked,
);
