"use server";
import { z } from "zod";
import { noteWords } from "@/core/find/note-words";
import * as kept from "@/data/kept";
import { addNoteOfUse, removeNoteOfUse } from "@/data/notes-of-use";
import { act, notThere, Refused } from "../act";

const Id = z.number().int().positive();

/** Keeps a need under a name; from now on it says what is new since she last looked. */
export const keepNeed = act(
  "keep a need",
  z.object({
    name: z.string().trim().min(1, "A kept need needs a name.").max(120, "A name of at most 120 letters, please."),
    address: z.string().min(1, "Fill in a blank first: a saved need has to ask for something.").max(1000),
  }),
  async ({ db, visitor, now }, { name, address }) => ({
    id: await kept.saveNeed(db, { person: visitor.id, name, address, now }),
  }),
);

export const dropNeed = act("keep a need", z.object({ id: Id }), async ({ db, visitor }, { id }) => {
  if (!(await kept.dropNeed(db, visitor.id, id))) throw new Refused(notThere);
  return {};
});

export const follow = act(
  "follow an author",
  z.object({ author: Id }),
  ({ author }) => ({ author }),
  async ({ db, visitor, now }, { author }) => {
    if (author === visitor.id) throw new Refused("This is you.");
    await kept.setFollow(db, visitor.id, author, true, now);
    return {};
  },
);

export const stopFollowing = act("stop following", z.object({ author: Id }), async ({ db, visitor, now }, given) => {
  await kept.setFollow(db, visitor.id, given.author, false, now);
  return {};
});

/** Tells colleagues of her school how a resource went. */
export const noteUse = act(
  "say how it went",
  z.object({
    resource: Id,
    className: z.string().trim().min(1, "Say with which class.").max(80),
    words: z.array(z.enum(noteWords)).min(1, "Choose one word at least.").max(4, "Four words at the most."),
    text: z.string().trim().max(600, "At most 600 letters, please.").default(""),
  }),
  (given) => ({ resource: given.resource }),
  async ({ db, visitor, now }, note) => {
    if (visitor.school === null) throw new Refused("Only a school's own teachers can leave a note.");
    return { id: await addNoteOfUse(db, { ...note, person: visitor.id, school: visitor.school, at: now }) };
  },
);

export const takeBackNote = act("take back a note", z.object({ id: Id }), async ({ db, visitor }, { id }) => {
  if (!(await removeNoteOfUse(db, visitor.id, id))) throw new Refused(notThere);
  return {};
});
