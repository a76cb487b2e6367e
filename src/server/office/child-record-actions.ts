"use server";
import { z } from "zod";
import { studentAt } from "@/data/keep/about-child";
import { setChildRules, setConsent } from "@/data/keep/consent";
import { deleteChildOf } from "../keep/children";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import { schoolOf } from "./school-of";

const Id = z.number().int().positive();

/**
 * How long the school keeps what it has of a child who has left, and whether it asks families about voice and pictures. Half a year at the least:
 * over the summer, when the old classes are put away and the new ones are not made, no child is in a class.
 */
export const keepChildRules = act(
  "keep the school's people",
  z.object({
    months: z.number().int().min(6, "At least half a year.").max(240, "At most 20 years.").nullable(),
    asksConsent: z.boolean(),
  }),
  async ({ db, visitor }, rules) => {
    await setChildRules(db, schoolOf(visitor), rules);
    return {};
  },
);

/** What a family has said of a child's voice and pictures. */
export const keepConsent = act(
  "keep the school's people",
  z.object({ ofStudent: Id, voice: z.boolean().nullable(), picture: z.boolean().nullable() }),
  async ({ db, visitor, now }, { ofStudent, voice, picture }) => {
    if ((await studentAt(db, schoolOf(visitor), ofStudent)) === undefined) throw new ActionError("notThere");
    await setConsent(db, { student: ofStudent, voice, picture, by: visitor.id, at: now });
    return {};
  },
);

/** Deletes everything that is stored about a child. There is no undo: her name is typed to say that it is meant. */
export const deleteChildRecords = act(
  "keep the school's people",
  z.object({ ofStudent: Id, name: z.string().max(200) }),
  async ({ db, visitor, now }, { ofStudent, name }) => {
    const school = schoolOf(visitor);
    const called = await studentAt(db, school, ofStudent);
    if (called === undefined) throw new ActionError("notThere");
    const plain = (text: string) => text.normalize("NFC").trim().replaceAll(/\s+/g, " ").toLowerCase();
    if (plain(name) !== plain(called)) throw new ActionError(problemOf("typeTheName", { name: called }), "name");
    const gone = await deleteChildOf(db, { school, student: ofStudent, by: visitor.id, now });
    if (!gone) throw new ActionError("notThere");
    return gone;
  },
);
