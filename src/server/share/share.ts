import { bitsOf } from "@/core/find/facets";
import { gradesOfSpan } from "@/core/content/grade";
import type { Subject } from "@/core/resource/document";
import { subjects } from "@/core/content/vocabulary";
import {
  howFar,
  titleSaid,
  type Reason,
  type SharedShelf,
  type ShelfAnswer,
  sharedShelves,
} from "@/core/sharing/how-far";
import { startShare, type ShareForm } from "@/core/sharing/sentence";
import type { Queryable } from "@/data/engine/db";
import { offersFor, type Offer } from "@/data/share/offers";
import { publishedOf } from "@/data/engine/read-once";
import { entriesOf, fileOwners, readersOf, shelfRulesOf, taughtBy, usesOf, type Uses } from "@/data/share/sharing";
import type { Visitor } from "../web/session";

/** One of her things, and how far it may go. */
export interface Sharable {
  id: number;
  title: string;
  revision: number | null;
  shelves: ShelfAnswer[];
  /** What curators said of it last, where they did. */
  decided: Pick<Offer, "shelf" | "state" | "decidedByName" | "note"> | null;
  uses: Omit<Uses, "resource">;
}

/** What the panel needs: each thing by itself, and all of them together. */
export interface Sharing {
  things: Sharable[];
  /** For all of them: open where it is open for each, closed where it is for one. */
  shelves: ShelfAnswer[];
  start: ShareForm;
  school: string | null;
  readers: Record<SharedShelf, number>;
}

export const gradeBits = (grades: readonly number[]): number => bitsOf(grades);
export const subjectBits = (of: readonly string[]): number => bitsOf(of.map((one) => subjects.indexOf(one as never)));

const bitsIn = (bits: number, most: number): number[] =>
  Array.from({ length: most }, (_, at) => at).filter((at) => (bits >> at) & 1);

export const gradesOf = (bits: number): number[] => bitsIn(bits, 13);
export const subjectsOf = (bits: number): Subject[] => bitsIn(bits, subjects.length).map((at) => subjects[at]!);

const order = ["closed", "waiting", "offer", "open", "on"] as const;

/** The answers of several things as one: the strictest goes before, and each reason says what it is about. */
function together(things: readonly Sharable[]): ShelfAnswer[] {
  return sharedShelves.map((shelf, at) => {
    const answers = things.map((thing) => thing.shelves[at]!);
    const state = order.find((one) => answers.some((answer) => answer.state === one)) ?? "open";
    const reasons = things.flatMap((thing): Reason[] =>
      thing.shelves[at]!.reasons.map((reason) =>
        things.length === 1 ? reason : { text: `“${thing.title}”: ${reason.text}` },
      ),
    );
    const seen = new Set<string>();
    return { shelf, state, reasons: reasons.filter(({ text }) => !seen.has(text) && seen.add(text)) };
  });
}

/** How far each of these may go, all of them hers. What is not published is looked at as it stands in its draft: nowhere. */
export async function sharingOf(db: Queryable, visitor: Visitor, ids: readonly number[]): Promise<Sharing> {
  const [heads, entries, offers, rules, students, readers, uses] = await Promise.all([
    publishedOf(db, ids),
    entriesOf(db, ids),
    offersFor(db, ids),
    shelfRulesOf(db, visitor.school),
    taughtBy(db, visitor.id),
    readersOf(db, visitor.id),
    usesOf(db, ids),
  ]);
  const files = await fileOwners(
    db,
    [...heads.values()].flatMap((head) => head.files),
  );
  const things = ids.map((id): Sharable => {
    const head = heads.get(id);
    const document = head?.document;
    const own = offers.filter((offer) => offer.resource === id);
    const last = own.find(({ state }) => state === "returned" || state === "declined" || state === "accepted");
    const { resource: _resource, ...used } = uses.find(({ resource }) => resource === id) ?? {
      resource: id,
      packed: 0,
      adapted: 0,
      assigned: 0,
    };
    return {
      id,
      title: document ? titleSaid(document) : "",
      revision: head?.id ?? null,
      shelves: document
        ? howFar({
            ...{ document, by: visitor.id, published: true, rules, students, files },
            school: visitor.school === null ? null : visitor.schoolName,
            curator: visitor.roles.includes("curator"),
            on: entries.filter(({ resource }) => resource === id).map(({ shelf }) => shelf),
            offered: own.filter(({ state }) => state === "waiting").map(({ shelf }) => shelf),
          })
        : sharedShelves.map((shelf) => ({
            ...{ shelf, state: "closed" as const },
            reasons: [{ text: "Publish it first: others see what is published." }],
          })),
      decided: last ?? null,
      uses: used,
    };
  });
  return {
    things,
    shelves: together(things),
    start: startShare(
      [...heads].map(([id, { document }]) => {
        // What stands somewhere for other grades or subjects than its own is shared for those again.
        const stands = entries.filter(({ resource }) => resource === id);
        const bits = (of: "grades" | "subjects") => stands.reduce((all, entry) => all | entry[of], 0);
        return {
          grades: bits("grades") ? gradesOf(bits("grades")) : gradesOfSpan(document.grades),
          subjects: bits("subjects") ? subjectsOf(bits("subjects")) : document.subjects,
        };
      }),
    ),
    school: visitor.schoolName,
    readers,
  };
}
