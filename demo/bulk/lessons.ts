import { demoFramework } from "../frameworks";
import type { Written } from "../read";
import { timetable, tides, counting, market } from "./sums";
import { measuring, fractions, quiz, map } from "./measures";
import { story, wordWork, procedure, history } from "./words";
import { creature, weatherLog, song, feelings } from "./nature";
import type { SeededRandom } from "./random";
import { ideas, lessonOn } from "./ideas";
import type { Pattern } from "./pattern";

const patterns: Pattern[] = [
  timetable,
  tides,
  counting,
  market,
  measuring,
  fractions,
  story,
  story,
  creature,
  creature,
  weatherLog,
  wordWork,
  wordWork,
  map,
  song,
  quiz,
  history,
  procedure,
  feelings,
];

const licences = ["CC-BY-4.0", "CC-BY-4.0", "CC-BY-SA-4.0", "CC0-1.0", "CC-BY-NC-4.0", "CC-BY-ND-4.0"] as const;

const framework = demoFramework("skerry-isles").statements;
const strands = new Map<Pattern, string[]>([
  [timetable, ["MA.M"]],
  [tides, ["MA.M", "SC.E"]],
  [counting, ["MA.D"]],
  [market, ["MA.N"]],
  [measuring, ["MA.M"]],
  [fractions, ["MA.N"]],
  [story, ["RE.T", "RE.C"]],
  [creature, ["SC.L"]],
  [weatherLog, ["SC.E", "MA.D"]],
  [wordWork, ["RE.V"]],
]);

/** One statement of the pattern's strand at the lesson's lowest grade, where the framework has one. */
function codesOf(pattern: Pattern, grades: Written["grades"], random: SeededRandom): string[] {
  const grade = String(grades).split("-")[0]!.replace(/^0$/, "K");
  const fitting = (strands.get(pattern) ?? []).flatMap((strand) => {
    const [area, part] = strand.split(".");
    return framework.filter((one) => one.code.startsWith(`${area}.${grade}.${part}.`));
  });
  return fitting.length > 0 ? [random.pick(fitting).code] : [];
}

/** Of a hundred lessons so many are of the forms above, which have numbers and stories of their own; the others are on one idea. */
const PATTERNED = 35;

/** One generated lesson, without its author. */
export function bulkLesson(random: SeededRandom): Omit<Written, "by"> {
  const grade = random.int(0, 8);
  const pattern = random.int(1, 100) <= PATTERNED ? random.pick(patterns) : lessonOn(random.pick(ideas));
  const written = pattern(random, grade);
  return {
    ...{ vocabulary: {} },
    ...written,
    shelf: "commons",
    licence: random.pick(licences),
    language: "en",
    standards: codesOf(pattern, written.grades, random),
  };
}
