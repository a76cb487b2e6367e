import { openedLesson, quickAnswersOf } from "@/data/live/lessons";
import { numberFrom, route } from "@/server/web/route";

/** What students have drawn for a question that was asked on the spot: too long to be told, so it is fetched. */
export const GET = route(
  "lead a lesson",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  async ({ db, params, request }) => {
    const asked = new URL(request.url).searchParams.get("question");
    const lesson = await openedLesson(db, numberFrom(params, "assignment"));
    const answers = lesson ? await quickAnswersOf(db, lesson.id) : [];
    const drawn = answers.flatMap(({ question, student, value }) =>
      question === asked && Array.isArray(value) ? [{ student, lines: value }] : [],
    );
    return Response.json({ drawn });
  },
);
