"use server";
import { z } from "zod";
import { noteWords } from "@/core/find/note-words";
import * as saved from "@/data/find/saved-searches";
import { addNoteOfUse, removeNoteOfUse } from "@/data/find/notes-of-use";
import { act, ActionError } from "../web/act";

const Id = z.number().int().positive();

/** Keeps a need under a name; from now on it says what is new since she last looked. */
export const saveSearch = act(
  "save a search",
  z.object({
    name: z.string().trim().min(1, "A saved search needs a name.").max(120, "Keep the name under 120 characters."),
    address: z.string().min(1, "Fill in a blank first: a saved search has to ask for something.").max(1000),
  }),
  async ({ db, visitor, now }, { name, address }) => ({
    id: await saved.saveSearch(db, { person: visitor.id, name, address, now }),
  }),
);

export const deleteSearch = act("save a search", z.object({ id: Id }), async ({ db, visitor }, { id }) => {
  if (!(await saved.deleteSearch(db, visitor.id, id))) throw new ActionError("notThere");
  return {};
});

export const follow = act(
  "follow an author",
  z.object({ author: Id }),
  ({ author }) => ({ author }),
  async ({ db, visitor, now }, { author }) => {
    if (author === visitor.id) throw new ActionError("cannotFollowYourself");
    await saved.setFollow(db, visitor.id, author, true, now);
    return {};
  },
);

export const stopFollowing = act("stop following", z.object({ author: Id }), async ({ db, visitor, now }, input) => {
  await saved.setFollow(db, visitor.id, input.author, false, now);
  return {};
});

/** Tells colleagues of her school how a resource went. */
export const noteUse = act(
  "say how it went",
  z.object({
    resource: Id,
    className: z.string().trim().min(1, "Say with which class.").max(80),
    words: z.array(z.enum(noteWords)).min(1, "Choose at least one word.").max(4, "Choose up to four words."),
    text: z.string().trim().max(600, "Keep it under 600 characters.").default(""),
  }),
  (input) => ({ resource: input.resource }),
  async ({ db, visitor, now }, note) => {
    if (visitor.school === null) throw new ActionError("onlyOwnTeachersNote");
    return { id: await addNoteOfUse(db, { ...note, person: visitor.id, school: visitor.school, at: now }) };
  },
);

export const takeBackNote = act("take back a note", z.object({ id: Id }), async ({ db, visitor }, { id }) => {
  if (!(await removeNoteOfUse(db, visitor.id, id))) throw new ActionError("notThere");
  return {};
});
