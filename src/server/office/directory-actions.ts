"use server";
import { z } from "zod";
import { DirectoryInput } from "@/core/people/inputs";
import { directoryOf, noteFetched, removeDirectory, setDirectory } from "@/data/office/directory";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import { mayAsk, NoAnswer } from "../web/ask-elsewhere";
import { UnreadableFile } from "../web/read-file";
import { fetchRoster } from "./directory";
import { schoolOf } from "./school-of";
import { bringInRoster, lookAtRoster } from "./school-roster";

const Address = DirectoryInput.shape.address.refine(mayAsk, "The address must begin with https://.");

/** Where the school's roster is fetched from. */
export const keepDirectory = act(
  "change the school's roster",
  DirectoryInput.extend({ address: Address, tokenUrl: Address }),
  async ({ db, visitor }, input) => {
    const school = schoolOf(visitor);
    if (!input.clientSecret && !(await directoryOf(db, school)))
      throw new ActionError("directoryPassword", "clientSecret");
    await setDirectory(db, school, input);
    return {};
  },
);

export const forgetDirectory = act("change the school's roster", z.object({}), async ({ db, visitor }) => {
  await removeDirectory(db, schoolOf(visitor));
  return {};
});

/** Fetches the roster; says what would change, or with `apply` changes it. */
export const rosterFromDirectory = act(
  "change the school's roster",
  z.object({ org: z.string().max(255).nullable(), apply: z.boolean() }),
  async ({ db, visitor, now }, { org, apply }) => {
    const school = schoolOf(visitor);
    const directory = await directoryOf(db, school);
    if (!directory) throw new ActionError("directoryFirst");
    const chosen = org ?? directory.org;
    try {
      const read = await fetchRoster(directory, chosen);
      if (!apply) return await lookAtRoster(db, school, read);
      const to = { district: visitor.district, school, year: now.getFullYear() };
      const effect = await bringInRoster(db, to, read, { by: visitor.id, at: now });
      await noteFetched(db, school, chosen, now);
      return effect;
    } catch (error) {
      if (error instanceof NoAnswer || error instanceof UnreadableFile)
        throw new ActionError(problemOf("errorNothingChanged", { message: error.message }));
      throw error;
    }
  },
);
