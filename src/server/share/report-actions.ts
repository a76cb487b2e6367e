"use server";
import { z } from "zod";
import { reportKindNames, ReportInput, reportOutcomes, formatOutcome } from "@/core/sharing/report";
import { addEvent } from "@/data/engine/events";
import { addressesOf, curatorsOf } from "@/data/office/people";
import { addReport, reportOn, setOutcome } from "@/data/share/reports";
import { factsOfHead, resourceById } from "@/data/adapt/resources";
import { entriesOf, setEntries } from "@/data/share/sharing";
import { addMessages, type Message } from "@/data/office/outbox";
import { act, ActionError, type Caller } from "../web/act";
import { problemOf } from "../web/problem";
import type { PlanState } from "../plan/move-work";

const Id = z.number().int().positive();

/** Puts messages into the outbox for people by their ids. Somebody of no school sends none. */
async function write(
  tx: Parameters<typeof addressesOf>[0],
  { visitor, now }: Caller,
  people: readonly number[],
  message: Pick<Message, "subject" | "body">,
): Promise<void> {
  const to = await addressesOf(
    tx,
    [...new Set(people)].filter((id) => id !== visitor.id),
  );
  if (to.length === 0 || visitor.school === null) return;
  await addMessages(
    tx,
    { school: visitor.school, person: visitor.id, at: now },
    to.map(({ name, email }) => ({ toName: name, toAddress: email, ...message })),
  );
}

/** Reports something she can see: to the curators of its shelf, or to its author where it stands in a staffroom only. */
export const reportResource = act(
  "report resource",
  ReportInput,
  (input) => ({ resource: input.resource }),
  async (caller, input): Promise<{ to: "curators" | "author" }> => {
    const { db, visitor, now } = caller;
    return db.transaction(async (tx) => {
      const resource = (await resourceById(tx, input.resource))!;
      if (resource.owner === visitor.id) throw new ActionError("ownWork");
      const { title } = await factsOfHead(tx, input.resource);
      const added = await addReport(tx, { ...input, by: visitor.id, at: now });
      if (!added) throw new ActionError("reportedAlready");
      const curated = resource.shelves.some((shelf) => shelf !== "staffroom");
      const curators = curated ? (await curatorsOf(tx, added.district)).map(({ id }) => id) : [];
      const said = `${reportKindNames[input.kind]}${input.note ? `. “${input.note}”` : "."}`;
      await write(tx, caller, curators.length > 0 ? curators : [resource.owner], {
        subject: `Reported: “${title}”`,
        body: `${visitor.givenName} ${visitor.familyName} reports “${title}”: ${said}${curators.length > 0 ? " It waits on your desk." : ""}`,
      });
      return { to: curators.length > 0 ? "curators" : "author" };
    });
  },
);

/** Decides about a report. Its author and the one who reported it hear what came of it. */
export const decideReport = act(
  "keep the desk",
  z.object({
    report: Id,
    outcome: z.enum(reportOutcomes),
    answer: z.string().trim().max(2000, "Keep it under 2,000 characters.").default(""),
  }),
  async (caller, input): Promise<{ event: number }> => {
    const { db, visitor, now } = caller;
    if (input.outcome !== "right" && input.answer === "") throw new ActionError("sayWhy", "answer");
    return db.transaction(async (tx) => {
      const report = await reportOn(tx, visitor.district, input.report);
      if (!report) throw new ActionError("notThere");
      if (report.author === visitor.id) throw new ActionError("reportOnOwn");
      if (!(await setOutcome(tx, report.id, { ...input, by: visitor.id, at: now })))
        throw new ActionError(problemOf("decidedAlready", { who: report.decidedByName ?? "Somebody" }));
      const before = await entriesOf(tx, [report.resource]);
      if (input.outcome === "removed")
        await setEntries(
          tx,
          [report.resource],
          before.filter(({ shelf }) => shelf === "staffroom"),
        );
      const message = {
        subject: `“${report.title}”, which was reported`,
        body: `${formatOutcome[input.outcome]}${input.answer ? ` “${input.answer}”` : ""}`,
      };
      await write(tx, caller, [report.author, report.by], message);
      const event = await addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: "decided about a report" },
        before: { places: [], report: { id: report.id, resource: report.resource, entries: before } },
        after: {
          places: [],
          report: { id: report.id, resource: report.resource, entries: await entriesOf(tx, [report.resource]) },
        },
      });
      return { event };
    });
  },
);
