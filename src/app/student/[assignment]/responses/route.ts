import { z } from "zod";
import { doorOf, takesLate } from "@/core/assign/door";
import { allQuestions } from "@/core/resource/document";
import { responseSchemas } from "@/core/resource/schema/question";
import { standing } from "@/core/resource/time-limit";
import { addResponses, announceWork, attemptsOf, openAttempt, questionsBegun, taskOf } from "@/data/work";
import { taskDocument } from "@/server/student-work";
import { numberFrom, route } from "@/server/route";

const Given = z.object({
  items: z
    .array(z.object({ key: z.string().min(8).max(60), question: z.string().max(40), value: z.unknown() }))
    .min(1)
    .max(200),
});

/**
 * Keeps answers as they are given. A route and not an action, because it must work from a queue, again and again, while
 * the network comes and goes: the same key sent twice is kept once.
 */
export const POST = route(
  "do assignment",
  (params) => ({ assignment: numberFrom(params, "assignment") }),
  async ({ db, visitor, now, params, body }) => {
    const task = (await taskOf(db, visitor.id, numberFrom(params, "assignment"), visitor.joinedClass))!;
    if (!takesLate(task, visitor.zone, now))
      return Response.json(
        { problem: task.opens > now ? "This has not begun yet." : "This is closed. What you answered before is kept." },
        { status: 409 },
      );
    const document = await taskDocument(db, task);
    const questions = new Map(allQuestions(document).map((found) => [found.question.id, found]));
    const read = body.items.flatMap(({ key, question, value }) => {
      const found = questions.get(question);
      const parsed = found && responseSchemas[found.question.type].safeParse(value);
      return found && parsed?.success
        ? [{ key, step: found.step.id, question, value: parsed.data, asked: found.question }]
        : [];
    });
    const good = await db.transaction(async (tx) => {
      // Late answers go to a try that was begun in time; none is begun behind a closed door.
      const open = doorOf(task, visitor.zone, now).open;
      const attempt = open
        ? await openAttempt(tx, task, now)
        : (await attemptsOf(tx, task.recipient)).find((one) => !one.handedIn);
      if (!attempt) return null;
      const begun = await questionsBegun(tx, attempt.id);
      // Nobody can have answered what was never opened; what comes after its time is kept and does not count.
      const given = read.flatMap(({ asked, ...one }) => {
        const stands = standing(asked, { factor: task.factor, begun, now });
        return stands === "not begun" ? [] : [{ ...one, checked: false, late: stands === "late" }];
      });
      if (!(await addResponses(tx, attempt.id, given, now))) return null;
      await announceWork(tx, task.assignment);
      return given;
    });
    if (!good) return Response.json({ problem: "This has been handed in already." }, { status: 409 });
    // What could not be read is named, so that the queue does not send it for ever.
    const refused = body.items.filter((item) => !good.some((one) => one.key === item.key)).map((item) => item.key);
    return Response.json({ kept: good.map((item) => item.key), refused });
  },
  Given,
);
