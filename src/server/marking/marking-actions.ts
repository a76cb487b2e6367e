"use server";
import { z } from "zod";
import { isMark, standingMarks, type GivenMark } from "@/core/marking/given-mark";
import { marksFor, Rubric, worthOf } from "@/core/marking/rubric";
import { markedByPerson } from "@/core/question/mark";
import { allQuestions } from "@/core/resource/document";
import { worth } from "@/core/results/correction";
import type { Db } from "@/data/engine/db";
import { readRevision } from "@/data/engine/read-once";
import { addMark, markEntries, triedWork } from "@/data/marking/marks";
import { addRubric, putAwayRubric, rubricsOf, setWay, waysOf } from "@/data/marking/rubrics";
import { correctionsOf } from "@/data/results/corrections";
import { announceWork } from "@/data/student/work";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";

const Id = z.number().int().positive();
const Answer = z.object({ assignment: Id, student: Id, number: Id, question: z.string().max(40) });
type Answer = z.infer<typeof Answer>;

/** A handed in answer that only a person can mark, and what it is worth; anything else is refused. */
async function markable(db: Db, of: Answer): Promise<{ attempt: number; worth: number }> {
  const tried = await triedWork(db, of);
  const document = tried && (await readRevision(db, tried.revision))?.document;
  const found = document && allQuestions(document).find(({ question }) => question.id === of.question);
  if (!found || !markedByPerson(found.question.type)) throw new ActionError("notThere");
  const corrections = await correctionsOf(db, of.assignment);
  return { attempt: tried.attempt, worth: worth(found.question.marks, corrections[of.question]) };
}

/** The mark of a marker that stands for an answer. */
async function lastMark(db: Db, of: Answer, marker: number): Promise<GivenMark | undefined> {
  const standing = standingMarks(await markEntries(db, of.assignment)).find(
    (one) => one.student === of.student && one.number === of.number && one.question === of.question,
  );
  return standing?.all.filter(isMark).find(({ by }) => by.id === marker);
}

const nothing = { for: null, marks: null, outOf: 0, rubric: null, levels: null, comment: "" };

/**
 * Marks an answer, or says something to it: by the levels of the rubric the question is marked by, or by marks. As long as a
 * criterion has no level there are no marks.
 */
export const giveMark = act(
  "mark work",
  Answer.extend({
    rubric: Id.nullable(),
    levels: z.record(z.string().max(40), z.number().int().min(0).max(7)),
    marks: z.number().min(0, "Marks cannot be less than 0.").multipleOf(0.5, "Use whole or half marks.").nullable(),
    comment: z.string().trim().max(1000, "Keep what you say below 1000 characters."),
    /** The marks she gave before, by another rule, stay. */
    onlyWords: z.boolean(),
  }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, { rubric, levels, marks, comment, onlyWords, ...of }) => {
    const { attempt, worth: most } = await markable(db, of);
    const way = (await waysOf(db, of.assignment))[of.question] ?? null;
    if ((way?.id ?? null) !== rubric) throw new ActionError("markingChanged");
    if (!way && marks !== null && marks > most) throw new ActionError(problemOf("worthAtMost", { most }), "marks");
    const before = onlyWords ? await lastMark(db, of, visitor.id) : undefined;
    await addMark(db, {
      ...{ ...nothing, attempt, question: of.question, by: visitor.id, at: now, kind: "marked", comment },
      ...(before
        ? { marks: before.marks, outOf: before.outOf, rubric: before.rubric, levels: before.levels }
        : way
          ? { rubric, levels, marks: marksFor(way.content, levels), outOf: worthOf(way.content) }
          : { marks, outOf: most }),
    });
    await announceWork(db, of.assignment, of.student);
    return {};
  },
);

/** Takes her own mark back. It stays on record. */
export const withdrawMark = act(
  "mark work",
  Answer,
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, of) => {
    const { attempt } = await markable(db, of);
    await addMark(db, { ...nothing, attempt, question: of.question, by: visitor.id, at: now, kind: "withdrawn" });
    await announceWork(db, of.assignment, of.student);
    return {};
  },
);

/** Where two have marked the same: whose mark counts from now on. */
export const settleMark = act(
  "mark work",
  Answer.extend({ marker: Id }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, { marker, ...of }) => {
    const { attempt } = await markable(db, of);
    if ((await lastMark(db, of, marker)) === undefined) throw new ActionError("markGone");
    await addMark(db, {
      ...{ ...nothing, attempt, question: of.question, by: visitor.id, at: now, kind: "settled", for: marker },
    });
    await announceWork(db, of.assignment, of.student);
    return {};
  },
);

/** What a question is marked by from now on: one of her rubrics, or (null) its marks. Marks that were given stay. */
export const chooseWay = act(
  "mark work",
  z.object({ assignment: Id, question: z.string().max(40), rubric: Id.nullable() }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor }, { assignment, question, rubric }) => {
    const ways = await waysOf(db, assignment);
    const mine = await rubricsOf(db, visitor.id);
    // A colleague's is used where it is used in this work already.
    const allowed = [...mine, ...Object.values(ways)].some(({ id }) => id === rubric);
    if (rubric !== null && !allowed) throw new ActionError("notThere");
    await db.transaction((tx) => setWay(tx, { assignment, question, rubric }));
    await announceWork(db, assignment);
    return { before: ways[question]?.id ?? null };
  },
);

/** Keeps a rubric; where it replaces one of hers, marks given by that stay as they are. */
export const keepRubric = act(
  "keep rubrics",
  z.object({ content: Rubric, replaces: Id.nullable() }),
  async ({ db, visitor, now }, { content, replaces }) => {
    const rubric = await db.transaction((tx) => addRubric(tx, { owner: visitor.id, content, replaces, at: now }));
    if (rubric === undefined) throw new ActionError("rubricChanged");
    return { rubric };
  },
);

/** Puts a rubric away, or brings it back. Where it is used it stays. */
export const putRubricAway = act(
  "keep rubrics",
  z.object({ rubric: Id, away: z.boolean() }),
  async ({ db, visitor, now }, { rubric, away }) => {
    if (!(await putAwayRubric(db, { owner: visitor.id, rubric, at: away ? now : null })))
      throw new ActionError("notThere");
    return {};
  },
);
