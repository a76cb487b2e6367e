/** What of an item can be another here and there. */
export interface ItemState {
  title: string;
  /** ISO 8601; null: no date. */
  opens: string | null;
  due: string | null;
}
export interface MineNow extends ItemState {
  content: string;
}
/** As it went over last. */
export interface SentBefore extends MineNow {
  /** A hash of its page as the course gave it back then; a course site may tidy pages up. Null, or none: it did not say. */
  page?: string | null;
}
/** As it is there now, as far as it says. */
export type ThereNow = Partial<ItemState> & { page?: string | null };

/** Against what is there: "changed there" is asked about, "gone there" is put back only when she sends it. */
export type Standing = "new" | "updated" | "as it is" | "changed there" | "gone there";

export interface Compared {
  standing: Standing;
  /** What was changed over there since it went: old and new. */
  there: { field: keyof ItemState | "page"; was: string | null; is: string | null }[];
}

const fields = ["title", "opens", "due"] as const;
/** Two systems write the same moment in two ways. */
const same = (field: keyof ItemState, one: string | null, other: string | null): boolean =>
  field === "title" || one === null || other === null
    ? one === other
    : Math.abs(Date.parse(one) - Date.parse(other)) < 60_000;

/**
 * Compares three versions: what we sent (`sent`), what we have now (`mine`), and what the course has now (`there`; null: it was deleted,
 * undefined: the course site does not say).
 * `compareItem({ title: "Tides", opens: null, due: null, content: "x" }, null, undefined)` gives `{ standing: "new", there: [] }`.
 */
export function compareItem(mine: MineNow, sent: SentBefore | null, there: ThereNow | null | undefined): Compared {
  if (!sent) return { standing: "new", there: [] };
  if (there === null) return { standing: "gone there", there: [] };
  const changed = fields.flatMap((field) => {
    const is = there?.[field];
    return is === undefined || same(field, is, sent[field]) ? [] : [{ field, was: sent[field], is }];
  });
  // It was changed there to just what it is here now: nobody has to be asked.
  const apart: Compared["there"] = changed.filter(({ field, is }) => !same(field, is, mine[field]));
  if (there?.page && sent.page && there.page !== sent.page)
    apart.push({ field: "page", was: sent.page, is: there.page });
  if (apart.length > 0) return { standing: "changed there", there: apart };
  const isSame = mine.content === sent.content && fields.every((field) => same(field, mine[field], sent[field]));
  return { standing: isSame ? "as it is" : "updated", there: [] };
}

/** What is done about a date that is over when it is sent. */
export const pastDues = ["no date", "next lesson", "leave out"] as const;
export type PastDue = (typeof pastDues)[number];
export const pastOpenings = ["on arrival", "keep"] as const;
export type PastOpening = (typeof pastOpenings)[number];

export interface DatesThere {
  opens: string | null;
  due: string | null;
  /** What was crossed out: it would have been past. */
  was: { opens: string | null; due: string | null };
  isLeftOut: boolean;
}

/**
 * No date arrives past: `nextLesson` is when the class meets next; null: it does not.
 * `datesThere({ opens: new Date("2026-12-01"), due: new Date("2026-12-02") }, { now: new Date("2026-11-30"), pastDue: "next lesson", pastOpening: "on arrival", nextLesson: null }).due` gives `"2026-12-02T00:00:00.000Z"`.
 */
export function datesThere(
  { opens, due }: { opens: Date; due: Date },
  of: { now: Date; pastDue: PastDue; pastOpening: PastOpening; nextLesson: Date | null },
): DatesThere {
  const isOver = due <= of.now;
  const isOpen = opens <= of.now;
  const laterDue = of.pastDue === "next lesson" ? of.nextLesson : null;
  return {
    opens: isOpen && of.pastOpening === "on arrival" ? null : opens.toISOString(),
    due: isOver ? (laterDue?.toISOString() ?? null) : due.toISOString(),
    was: {
      opens: isOpen && of.pastOpening === "on arrival" ? opens.toISOString() : null,
      due: isOver ? due.toISOString() : null,
    },
    isLeftOut: isOver && of.pastDue === "leave out",
  };
}
