"use server";
import { z } from "zod";
import { PlainDate } from "@/core/calendar/plain-date";
import { addDays, momentAt, schoolClock } from "@/core/calendar/school-calendar";
import { allQuestions } from "@/core/resource/document";
import { partOf } from "@/core/plan/parts";
import { readRevision } from "@/data/engine/read-once";
import { putIn, setTakenOut, tryToPutIn } from "@/data/portfolio/pieces";
import { addPortfolioLink, endPortfolioLink } from "@/data/portfolio/portfolio-links";
import { act, ActionError } from "../web/act";
import { baseAddress } from "../web/base-address";
import { newLinkToken, tokenHash } from "../web/secrets";
import { portfolioForOthers } from "./portfolio";

const Id = z.number().int().positive();
const Child = { class: Id, student: Id };
const aboutChild = (input: { class: number; student: number }) => ({ class: input.class, students: [input.student] });

/** The longest a link may lead somewhere, in days: a school year. */
const LONGEST_DAYS = 366;

/** A teacher puts work of hers that a child has handed in into the portfolio, all of it or one answer. */
export const putIntoPortfolio = act(
  "put into a portfolio",
  z.object({ ...Child, assignment: Id, question: z.string().max(40).nullable() }),
  (input) => ({ ...aboutChild(input), assignment: input.assignment }),
  async ({ db, visitor, now }, { student, assignment, question }): Promise<{ piece: number; already: boolean }> => {
    const found = await tryToPutIn(db, { student, assignment });
    if (!found) throw new ActionError("notThere");
    const document = partOf((await readRevision(db, found.revision))!.document, found.steps);
    if (question !== null && !allQuestions(document).some((one) => one.question.id === question))
      throw new ActionError("notThere");
    return putIn(db, { student, attempt: found.attempt, question, by: visitor.id, at: now });
  },
);

/** Takes a piece out of a child's portfolio. The work itself stays. */
export const takeOutOfPortfolio = act(
  "keep a portfolio",
  z.object({ ...Child, piece: Id }),
  aboutChild,
  async ({ db, now }, { student, piece }) => {
    if (!(await setTakenOut(db, { student, piece, at: now }))) throw new ActionError("notThere");
    return {};
  },
);

/** Puts back what was just taken out, with what the child said about it. */
export const putBackIntoPortfolio = act(
  "keep a portfolio",
  z.object({ ...Child, piece: Id }),
  aboutChild,
  async ({ db }, { student, piece }) => {
    if (!(await setTakenOut(db, { student, piece, at: null }))) throw new ActionError("notThere");
    return {};
  },
);

/**
 * Lets a family look at some of a child's portfolio until a day. The address is in the answer and kept nowhere: only its hash is.
 * Pieces that would show nothing of the child alone cannot be chosen.
 */
export const showPortfolio = act(
  "keep a portfolio",
  z.object({ ...Child, pieces: z.array(Id).min(1, "Choose at least one piece.").max(200), until: PlainDate }),
  aboutChild,
  async ({ db, visitor, now }, input): Promise<{ link: number; address: string }> => {
    const today = schoolClock(now, visitor.zone).date;
    if (input.until < today) throw new ActionError("dayOver", "until");
    if (input.until > addDays(today, LONGEST_DAYS)) throw new ActionError("withinAYear", "until");
    const pieces = [...new Set(input.pieces)];
    if ((await portfolioForOthers(db, input.student, pieces)).length < pieces.length) throw new ActionError("notThere");
    const token = newLinkToken();
    const until = momentAt(addDays(input.until, 1), "00:00", visitor.zone);
    const link = await db.transaction((tx) =>
      addPortfolioLink(tx, { student: input.student, by: visitor.id, hash: tokenHash(token), at: now, until, pieces }),
    );
    return { link, address: `${await baseAddress()}/portfolio/${token}` };
  },
);

/** Ends a link to a child's portfolio: from now on it leads nowhere. */
export const endShowing = act(
  "keep a portfolio",
  z.object({ ...Child, link: Id }),
  aboutChild,
  async ({ db, now }, { student, link }) => {
    if (!(await endPortfolioLink(db, { student, link, at: now }))) throw new ActionError("notThere");
    return {};
  },
);
