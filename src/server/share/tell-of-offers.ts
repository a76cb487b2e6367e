import { shelfNames } from "@/core/find/format";
import type { CuratedShelf } from "@/core/sharing/how-far";
import { addressesOf, curatorsOf } from "@/data/office/people";
import type { Queryable } from "@/data/engine/db";
import { addMessages } from "@/data/office/outbox";
import { factsOfHead } from "@/data/adapt/resources";
import type { Visitor } from "../web/session";

/** Tells the curators of her district what waits on their desk. Goes to the outbox: the mail stand-in. */
export async function tellCurators(
  tx: Queryable,
  visitor: Visitor,
  of: { titles: readonly string[]; shelf: string },
  now: Date,
): Promise<void> {
  if (visitor.school === null) return;
  const curators = (await curatorsOf(tx, visitor.district)).filter(({ id }) => id !== visitor.id);
  const who = `${visitor.givenName} ${visitor.familyName}`;
  const list = of.titles.map((title) => `“${title}”`).join(", ");
  const messages = curators.map(({ name, email }) => ({
    toName: name,
    toAddress: email,
    subject: of.titles.length === 1 ? `Offered: ${of.titles[0]!}` : `${of.titles.length} things are offered`,
    body: `${who} offers ${list} for ${of.shelf}. It waits on your desk.`,
  }));
  if (messages.length > 0) await addMessages(tx, { school: visitor.school, person: visitor.id, at: now }, messages);
}

const openings = {
  accepted: "accepted",
  returned: "sent back",
  declined: "declined",
  removed: "took off the shelf",
} as const;

/** Tells an author what a curator decided about her thing, and why. */
export async function tellAuthor(
  tx: Queryable,
  visitor: Visitor,
  of: { by: number; title: string; shelf: CuratedShelf },
  decided: { decision: keyof typeof openings; note: string; pins: readonly { text: string }[] },
  now: Date,
): Promise<void> {
  const [author] = await addressesOf(tx, [of.by]);
  if (!author || visitor.school === null) return;
  const pinned =
    decided.pins.length === 0
      ? ""
      : ` ${decided.pins.length === 1 ? "One note stands" : `${decided.pins.length} notes stand`} at the steps in your editor.`;
  const message = {
    toName: author.name,
    toAddress: author.email,
    subject: `“${of.title}”: ${openings[decided.decision]}`,
    body: `${visitor.givenName} ${visitor.familyName} ${openings[decided.decision]} “${of.title}” (${shelfNames[of.shelf]}).${decided.note ? ` “${decided.note}”` : ""}${pinned}`,
  };
  await addMessages(tx, { school: visitor.school, person: visitor.id, at: now }, [message]);
}

/** Tells colleagues that something was given to them. */
export async function tellOfGiven(
  tx: Queryable,
  visitor: Visitor,
  of: { people: readonly number[]; note: string; things: number },
  now: Date,
): Promise<void> {
  if (visitor.school === null) return;
  const who = `${visitor.givenName} ${visitor.familyName}`;
  const messages = (await addressesOf(tx, of.people)).map(({ name, email }) => ({
    ...{ toName: name, toAddress: email },
    subject: `${who} gave you ${of.things === 1 ? "something" : `${of.things} things`}`,
    body: `${of.note ? `“${of.note}” ` : ""}It is in your satchel, under “Given to me”.`,
  }));
  if (messages.length > 0) await addMessages(tx, { school: visitor.school, person: visitor.id, at: now }, messages);
}

/** Tells colleagues that somebody keeps a pocket with them. */
export async function tellOfPocket(
  tx: Queryable,
  visitor: Visitor,
  of: { people: readonly number[]; name: string },
  now: Date,
): Promise<void> {
  if (visitor.school === null || of.people.length === 0) return;
  const who = `${visitor.givenName} ${visitor.familyName}`;
  const messages = (await addressesOf(tx, of.people)).map(({ name, email }) => ({
    ...{ toName: name, toAddress: email },
    subject: `${who} keeps the pocket “${of.name}” with you`,
    body: `You find it in your satchel, below your own pockets.`,
  }));
  if (messages.length > 0) await addMessages(tx, { school: visitor.school, person: visitor.id, at: now }, messages);
}

/** Tells somebody of a team what she is asked to make. */
export async function tellOfAsked(
  tx: Queryable,
  visitor: Visitor,
  of: { person: number; team: string; part: string; week: string },
  now: Date,
): Promise<void> {
  const [to] = await addressesOf(tx, [of.person]);
  if (!to || visitor.school === null) return;
  const message = {
    ...{ toName: to.name, toAddress: to.email },
    subject: `${of.team}: “${of.part}” for the week of ${of.week}`,
    body: `${visitor.givenName} ${visitor.familyName} asks you to make “${of.part}” for the week of ${of.week}. It is on the team’s board.`,
  };
  await addMessages(tx, { school: visitor.school, person: visitor.id, at: now }, [message]);
}

/** Passes a thank-you on. */
export async function tellOfThanks(
  tx: Queryable,
  visitor: Visitor,
  of: { by: number; resource: number },
  now: Date,
): Promise<void> {
  const [to] = await addressesOf(tx, [of.by]);
  if (!to || visitor.school === null) return;
  const { title } = await factsOfHead(tx, of.resource);
  const message = {
    ...{ toName: to.name, toAddress: to.email },
    subject: `Thank you for “${title}”`,
    body: `${visitor.givenName} ${visitor.familyName} says thank you.`,
  };
  await addMessages(tx, { school: visitor.school, person: visitor.id, at: now }, [message]);
}
