"use server";
import { z } from "zod";
import { gradesOfSpan } from "@/core/content/grade";
import { anyNeed, needToParameters, type Need } from "@/core/find/need";
import { assignmentById } from "@/data/assign/assignments";
import { classesOf } from "@/data/classes/classes";
import { standardsByCode } from "@/data/find/standards";
import { find } from "../find/find";
import { readerOf } from "../find/reader";
import { act } from "../web/act";

/** What is looked for, the closest first: each asks for a little less than the one before. */
function needsFor(
  of: { standards: string[]; wider: string[]; grades: number[]; reads: number[]; title: string },
  undone: number[],
): Need[] {
  const { standards, wider, grades, reads, title } = of;
  const closest: Need[] =
    standards.length > 0
      ? [
          { ...anyNeed, standards, undone, reads },
          { ...anyNeed, standards, undone },
          { ...anyNeed, standards: wider, grades, undone, reads },
          { ...anyNeed, standards: wider, grades, undone },
        ]
      : [];
  return [...closest, { ...anyNeed, words: title, undone, reads }, { ...anyNeed, words: title, undone }];
}

/**
 * What to look for after children missed something: the standards, text they can read, nothing their class was assigned; and where
 * there is no such thing, what comes nearest. Returns the need as an address.
 */
export const needAfter = act(
  "see results",
  z.object({
    assignment: z.number().int().positive(),
    standards: z.array(z.string().min(1).max(80)).max(40),
    reads: z.number().int().min(0).max(12).nullable(),
  }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, { assignment, standards, reads }): Promise<{ need: string }> => {
    const work = (await assignmentById(db, assignment))!;
    const classes = await classesOf(db, visitor.id, now);
    const group = classes.find(({ id }) => id === work.class);
    const known = await standardsByCode(db, visitor.district, standards);
    const parents = new Set(
      known.filter(({ code }) => standards.includes(code)).map(({ code }) => code.split(".").slice(0, -1).join(".")),
    );
    const needs = needsFor(
      {
        ...{ standards, wider: [...parents].filter(Boolean), title: work.title },
        grades: group ? gradesOfSpan({ from: group.gradeFrom, to: group.gradeTo }) : [],
        reads: reads === null ? [] : [reads],
      },
      [work.class],
    );
    const reader = await readerOf(db, visitor);
    for (const need of needs) {
      const { counts } = await find(db, reader, need, { sort: "best", limit: 1, classes, now });
      if (counts.total > 0) return { need: needToParameters(need).toString() };
    }
    return { need: needToParameters(needs[0]!).toString() };
  },
);
