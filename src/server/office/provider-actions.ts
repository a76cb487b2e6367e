"use server";
import { z } from "zod";
import { ProviderInput } from "@/core/people/inputs";
import { addProvider, removeProvider } from "@/data/office/providers";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import { mayAsk, NoAnswer } from "../web/ask-elsewhere";
import { configurationOf } from "./provider";
import { schoolOf } from "./school-of";

/** The school's own sign-in: it is asked first whether it is there. */
export const connectProvider = act(
  "connect another system",
  ProviderInput.extend({ issuer: ProviderInput.shape.issuer.refine(mayAsk, "The address must begin with https://.") }),
  async ({ db, visitor, now }, input) => {
    const provider = { ...input, school: schoolOf(visitor) };
    try {
      await configurationOf({ ...provider, id: 0 });
    } catch (error) {
      if (error instanceof NoAnswer)
        throw new ActionError(problemOf("notConnected", { message: error.message }), "issuer");
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
