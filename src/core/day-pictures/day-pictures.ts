import { z } from "zod";

/** What a part of a day can be shown as. */
export const dayPictures = [
  ...["arrive", "register", "reading", "writing", "numbers", "science", "nature", "map", "history", "art", "music"],
  ...["sport", "swimming", "computer", "language", "story", "film", "talk", "group", "quiz", "break", "snack", "lunch"],
  ...["wash hands", "quiet", "tidy", "visit", "library", "cooking", "celebration", "help", "home"],
] as const;
export type DayPicture = (typeof dayPictures)[number];

export const DayPart = z.object({
  id: z.string().regex(/^[A-Za-z0-9_-]{1,40}$/),
  picture: z.enum(dayPictures),
  text: z.string().max(80),
  /** "9:40"; empty: no time is said. */
  time: z.string().max(20),
});
export type DayPart = z.infer<typeof DayPart>;
export const DayParts = z.array(DayPart).max(20, "A day has 20 parts at most.");

/** A lesson of the day: when by the school's clock, what is taught, and what is planned in it. */
export interface DayLesson {
  starts: string;
  ends: string;
  label: string;
  works: readonly { title: string; subjects: readonly string[] }[];
}

/** Words of a lesson's name by the picture for it, the first that is found; English, as classes are named here. */
const words: readonly [RegExp, DayPicture][] = [
  [/read|literacy/i, "reading"],
  [/writ|spell/i, "writing"],
  [/math|number|arithmetic/i, "numbers"],
  [/science|physics|chemistry|biology/i, "science"],
  [/nature|environment/i, "nature"],
  [/geograph|map/i, "map"],
  [/histor/i, "history"],
  [/swim/i, "swimming"],
  [/sport|physical|gym|\bPE\b/i, "sport"],
  [/art|craft|draw/i, "art"],
  [/music|song|choir/i, "music"],
  [/comput|coding/i, "computer"],
  [/spanish|french|danish|language/i, "language"],
  [/story|english/i, "story"],
  [/library/i, "library"],
  [/cook/i, "cooking"],
  [/social/i, "group"],
];

const pictureFor = (...said: readonly string[]): DayPicture => {
  for (const text of said) for (const [word, picture] of words) if (word.test(text)) return picture;
  return "group";
};

const minutes = (time: string): number => Number(time.slice(0, -3)) * 60 + Number(time.slice(-2));
const clock = (time: string): string => time.replace(/^0/, "");

const SHORTEST_BREAK = 10;
const LUNCH = 30; // from so many minutes on a break at noon is lunch; common practice
const NOON = [11 * 60, 14 * 60] as const;

/**
 * A day from its lessons: the children come, lessons with what is planned in them, breaks and lunch where there is time between two, and
 * home. Without lessons: none.
 * `proposeDay([], () => "new")` gives `[]`.
 */
export function proposeDay(lessons: readonly DayLesson[], newId: () => string): DayPart[] {
  if (lessons.length === 0) return [];
  const part = (picture: DayPicture, text: string, time: string): DayPart => ({ id: newId(), picture, text, time });
  const inOrder = lessons.toSorted((one, other) => minutes(one.starts) - minutes(other.starts));
  const parts = inOrder.flatMap(({ starts, ends, label, works }, at) => {
    const names = works.map(({ title }) => title);
    const picture = pictureFor(label, ...works.flatMap(({ subjects }) => subjects), ...names);
    const text = [label, names[0]].filter(Boolean).join(": ").slice(0, 80) || "Lesson";
    const next = inOrder[at + 1];
    const free = next ? minutes(next.starts) - minutes(ends) : 0;
    return [
      part(picture, text, clock(starts)),
      ...(free >= LUNCH && minutes(ends) >= NOON[0] && minutes(ends) <= NOON[1]
        ? [part("lunch", "Lunch", clock(ends))]
        : free >= SHORTEST_BREAK
          ? [part("break", "Break", clock(ends))]
          : []),
    ];
  });
  return [part("arrive", "Good morning", ""), ...parts, part("home", "Home", clock(inOrder.at(-1)!.ends))].slice(0, 20);
}
