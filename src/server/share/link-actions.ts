"use server";
import { z } from "zod";
import { addDays, momentAt, schoolClock } from "@/core/calendar/school-calendar";
import { LinkInput } from "@/core/sharing/link";
import { addEvent } from "@/data/engine/events";
import { addLink, linksTo, setLinkEnded, takeByLink, type LinkMade } from "@/data/share/links";
import { publishedOf } from "@/data/engine/read-once";
import { mayReadAll } from "@/data/find/search";
import { act, ActionError } from "../web/act";
import { baseAddress } from "../web/base-address";
import { openLink } from "./link";
import type { PlanState } from "../plan/move-work";
import { newLinkToken, tokenHash } from "../web/secrets";
import { standing } from "./standing";

const Id = z.number().int().positive();
const Things = LinkInput.shape.resources;

/** Links that lead to these now. Changes nothing. */
export const lookAtLinks = act(
  "share by link",
  z.object({ resources: Things }),
  (input) => ({ resources: input.resources }),
  ({ db, visitor }, input): Promise<LinkMade[]> => linksTo(db, visitor.id, input.resources),
);

/**
 * Makes an address anybody may open who has it. What must not leave the school gets none. The address is in the answer and kept
 * nowhere: only its hash is.
 */
export const makeLink = act(
  "share by link",
  LinkInput,
  (input) => ({ resources: input.resources }),
  async ({ db, visitor, now }, input): Promise<{ event: number; address: string }> => {
    const resources = [...new Set(input.resources)];
    if (input.until !== null && input.until < schoolClock(now, visitor.zone).date)
      throw new ActionError("dayOver", "until");
    const token = newLinkToken();
    const event = await db.transaction(async (tx) => {
      const heads = await publishedOf(tx, resources);
      if (heads.size < resources.length) throw new ActionError("publishFirst");
      const documents = resources.map((id) => heads.get(id)!.document);
      const reasons = (await standing(tx, visitor.id, documents)).flatMap(({ district }) => district);
      if (reasons.length > 0) throw new ActionError({ problem: reasons.map(({ text }) => text).join(" ") });
      const id = await addLink(
        tx,
        {
          ...{ by: visitor.id, hash: tokenHash(token), name: input.name, way: input.way },
          ...{ teacherPart: input.teacherPart, at: now },
          until: input.until === null ? null : momentAt(addDays(input.until, 1), "00:00", visitor.zone),
        },
        resources,
      );
      return addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: "made a link" },
        before: { places: [] },
        after: { places: [], link: { id, ended: false } },
      });
    });
    return { event, address: `${await baseAddress()}/look/${token}` };
  },
);

/** Ends a link of hers: from now on it leads nowhere. Copies people have made stay theirs. */
export const endLink = act("end a link", z.object({ link: Id }), async ({ db, visitor, now }, input) =>
  db.transaction(async (tx): Promise<{ event: number }> => {
    if (!(await setLinkEnded(tx, visitor.id, input.link, now))) throw new ActionError("notThere");
    const event = await addEvent<PlanState>(tx, {
      ...{ person: visitor.id, at: now, what: "ended a link" },
      before: { places: [] },
      after: { places: [], link: { id: input.link, ended: true } },
    });
    return { event };
  }),
);

/** Takes one thing a link shows, to pack it or make a copy: as long as the link lasts. What she may see anyway needs none of it. */
export const takeFromLink = act(
  "take what a link shows",
  z.object({ token: z.string().max(60), resource: Id }),
  async ({ db, visitor, now }, input): Promise<{ resource: number }> => {
    const link = await openLink(db, input.token);
    if (!link?.resources.includes(input.resource)) throw new ActionError("notThere");
    if (link.by !== visitor.id && !(await mayReadAll(db, visitor, [input.resource], "copy")))
      await takeByLink(db, {
        ...{ link: link.id, by: link.by, way: link.way, resource: input.resource, person: visitor.id, at: now },
      });
    return { resource: input.resource };
  },
);
