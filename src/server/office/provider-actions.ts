"use server";
import { z } from "zod";
import { addProvider, removeProvider } from "@/data/office/providers";
import { act, ActionError } from "../web/act";
import { mayAsk, NoAnswer } from "../web/ask-elsewhere";
import { configurationOf } from "./provider";
import { schoolOf } from "./school-of";

/** The school's own sign-in: it is asked first whether it is there. */
export const connectProvider = act(
  "connect another system",
  z.object({
    name: z.string().trim().min(1, "Type what the button should say.").max(60),
    issuer: z.string().trim().max(2000).refine(mayAsk, "The address must begin with https://."),
    clientId: z.string().trim().min(1, "Type the name it gave Golden Satchel.").max(500),
    clientSecret: z.string().min(1, "Type the password it gave Golden Satchel.").max(500),
  }),
  async ({ db, visitor, now }, input) => {
    const provider = { ...input, school: schoolOf(visitor) };
    try {
      await configurationOf({ ...provider, id: 0 });
    } catch (error) {
      if (error instanceof NoAnswer) throw new ActionError(`${error.message} Nothing was connected.`, "issuer");
      throw error;
    }
    await addProvider(db, { ...provider, at: now });
    return {};
  },
);

/** Nobody signs in through it any more. Passwords stay as they are. */
export const disconnectProvider = act(
  "connect another system",
  z.object({ provider: z.number().int().positive() }),
  async ({ db, visitor }, { provider }) => {
    await removeProvider(db, schoolOf(visitor), provider);
    return {};
  },
);
