"use server";
import { z } from "zod";
import { addStudentNote, setNoteRemoved } from "@/data/results/student-notes";
import { act, ActionError } from "../web/act";

const Id = z.number().int().positive();
const Child = { class: Id, student: Id };
const aboutChild = (input: { class: number; student: number }) => ({ class: input.class, students: [input.student] });

/** Notes something down about a child. Teachers of the child read it; the child and the family do not. */
export const noteDown = act(
  "see how a student is doing",
  z.object({ ...Child, text: z.string().trim().min(1, "Write something first.").max(2000) }),
  aboutChild,
  async ({ db, visitor, now }, { student, text }) => ({
    note: await addStudentNote(db, { student, by: visitor.id, at: now, text }),
  }),
);

/** Removes a note of one's own, or brings it back. */
export const setNote = act(
  "see how a student is doing",
  z.object({ ...Child, note: Id, there: z.boolean() }),
  aboutChild,
  async ({ db, visitor, now }, { student, note, there }) => {
    if (!(await setNoteRemoved(db, { student, note, by: visitor.id, at: there ? null : now })))
      throw new ActionError("notThere");
    return {};
  },
);
