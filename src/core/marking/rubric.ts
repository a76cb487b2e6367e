import { z } from "zod";

const MOST_CRITERIA = 8;
const MOST_LEVELS = 8;

/** Marks to the half, as people give them. */
const Marks = z
  .number("Say how many marks.")
  .min(0, "Marks cannot be less than 0.")
  .max(100, "A level can be worth at most 100 marks.")
  .multipleOf(0.5, "Use whole or half marks.");

const Level = z.object({
  name: z.string().trim().min(1, "Name each level.").max(60, "Keep the name of a level below 60 characters."),
  marks: Marks,
  /** What it looks like at this level. */
  words: z.string().trim().max(400, "Keep what a level looks like below 400 characters."),
});

const Criterion = z.object({
  id: z.string().min(1).max(40),
  name: z.string().trim().min(1, "Name each criterion.").max(120, "Keep the name of a criterion below 120 characters."),
  levels: z
    .array(Level)
    .min(2, "A criterion needs at least two levels.")
    .max(MOST_LEVELS, `A criterion can have at most ${MOST_LEVELS} levels.`),
});

export type Criterion = z.infer<typeof Criterion>;
type Criteria = { readonly criteria: readonly Criterion[] };

/** What a person looks for in a piece of work: criteria, each with its levels, the lowest first. */
export const Rubric = z
  .object({
    name: z.string().trim().min(1, "Name the rubric.").max(120, "Keep the name below 120 characters."),
    criteria: z
      .array(Criterion)
      .min(1, "A rubric needs at least one criterion.")
      .max(MOST_CRITERIA, `A rubric can have at most ${MOST_CRITERIA} criteria.`),
  })
  .refine(
    ({ criteria }) => new Set(criteria.map(({ id }) => id)).size === criteria.length,
    "Two criteria are the same.",
  )
  .refine((rubric) => worthOf(rubric) > 0, "No level is worth any marks.");
export type Rubric = z.infer<typeof Rubric>;

const hundredths = (value: number) => Math.round(value * 100) / 100;

/** The most a rubric can give: of each criterion, the level with the most marks. `worthOf(skillRubric("Reasons", "r"))` gives `4`. */
export function worthOf({ criteria }: Criteria): number {
  return hundredths(criteria.reduce((sum, { levels }) => sum + Math.max(...levels.map(({ marks }) => marks)), 0));
}

/** Which level was chosen for each criterion, by the criterion's id; from 0. */
export type Levels = Readonly<Record<string, number>>;

/**
 * Marks for the levels chosen; null: a criterion has none yet, or one that is not there.
 * `marksFor(skillRubric("Reasons", "r"), { r: 2 })` gives `3`.
 */
export function marksFor({ criteria }: Criteria, levels: Levels): number | null {
  let sum = 0;
  for (const { id, levels: steps } of criteria) {
    const level = steps[levels[id] ?? -1];
    if (!level) return null;
    sum += level.marks;
  }
  return hundredths(sum);
}

/** The four levels a skill is judged by. Common practice in primary schools; worth 1 to 4. */
const SKILL_LEVELS = ["Not yet", "With help", "Secure", "Goes further"];

/**
 * A judgement of one skill, from 1 to 4, as a rubric with one criterion.
 * `skillRubric("Reasons", "r").criteria[0].levels.length` gives `4`.
 */
export const skillRubric = (skill: string, id: string): Rubric => ({
  name: skill,
  criteria: [{ id, name: skill, levels: SKILL_LEVELS.map((name, at) => ({ name, marks: at + 1, words: "" })) }],
});

/** A rubric to begin with. `worthOf(plainRubric("r"))` gives `2`. */
export const plainRubric = (id: string): Rubric => ({
  name: "",
  criteria: [
    { id, name: "", levels: ["Not yet", "Nearly", "Yes"].map((name, at) => ({ name, marks: at, words: "" })) },
  ],
});

/**
 * The levels chosen in words: "Reasons: secure · Spelling: not yet".
 * `formatLevels(skillRubric("Reasons", "r"), { r: 2 })` gives `"Reasons: Secure"`.
 */
export const formatLevels = ({ criteria }: Criteria, levels: Levels): string =>
  criteria
    .flatMap(({ id, name, levels: steps }) => {
      const level = steps[levels[id] ?? -1];
      return level ? `${name}: ${level.name}` : [];
    })
    .join(" · ");
