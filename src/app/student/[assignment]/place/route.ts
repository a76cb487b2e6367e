import { z } from "zod";
import { responseSchemas } from "@/core/question/schema";
import { keepQuickAnswer, runningLesson } from "@/data/live/lessons";
import { addStepNote } from "@/data/live/step-notes";
import { putAt, setAsked } from "@/data/live/places";
import { announceAnswers, ownAssignment } from "@/data/student/work";
import { answersNotice } from "@/core/live/answered";
import { quickAnswered } from "@/server/live/room";
import { assignedDocument } from "@/server/student/student-work";
import { numberFrom, route } from "@/server/web/route";
import { refuse } from "@/server/web/refuse";

const Said = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("step"), step: z.string().max(40) }),
  z.object({ kind: z.literal("help"), asked: z.boolean() }),
  z.object({ kind: z.literal("note"), step: z.string().max(40), text: z.string().trim().min(1).max(400) }),
  z.object({
    kind: z.literal("quick"),
    question: z.string().max(40),
    /** The place of the option that was chosen, what was typed, or a drawing's lines. */
    value: z.union([z.number().int().min(0).max(5), z.string().trim().min(1).max(400), responseSchemas.sketch]),
  }),
]);

const nothingHere = () => refuse(404, "nothingHere");

/** Where a student is, that she needs help, or what she answers to a question that was asked on the spot. */
export const POST = route(
  "do assignment",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  async ({ db, visitor, now, params, body }) => {
    const assignment = numberFrom(params, "assignment");
    const student = visitor.id;
    if (body.kind === "help") {
      await setAsked(db, { assignment, student, asked: body.asked, at: now });
    } else if (body.kind === "note") {
      const { step, text } = body;
      if (!(await addStepNote(db, { assignment, student, step, by: student, text, at: now }))) return nothingHere();
    } else if (body.kind === "step") {
      const assigned = (await ownAssignment(db, student, assignment, visitor.joinedClass))!;
      const document = await assignedDocument(db, assigned);
      if (!document.steps.some(({ id, audience }) => id === body.step && audience !== "teacher")) return nothingHere();
      await putAt(db, { assignment, students: [student], step: body.step, at: now });
    } else {
      const { question, value } = body;
      const lesson = await runningLesson(db, assignment, now);
      if (!(await keepQuickAnswer(db, { assignment, question, student, value, at: now }))) return nothingHere();
      const answers = [quickAnswered(question, value, lesson?.state.quick?.options ?? [])];
      await announceAnswers(db, answersNotice(assignment, { student, number: 0, at: now.getTime(), answers }));
    }
    return Response.json({});
  },
  Said,
);
