import { ownAssignment } from "@/data/student/work";
import { classmatesOf } from "@/server/review/own-review";
import { seenByCode } from "@/server/student/by-code";
import { numberFrom, route } from "@/server/web/route";
import { refuse } from "@/server/web/refuse";

/** What classmates made of one question, as far as this child may see it. */
export const GET = route(
  "do assignment",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  async ({ db, visitor, now, params, request }) => {
    const assigned = (await ownAssignment(db, visitor.id, numberFrom(params, "assignment"), visitor.joinedClass))!;
    if (!seenByCode(visitor, assigned, now)) return refuse(404, "nothingHere");
    const question = new URL(request.url).searchParams.get("question") ?? "";
    return Response.json(await classmatesOf(db, assigned, visitor.id, question.slice(0, 40), now));
  },
);
