import type { Written } from "../read";
import { timetable, tides, counting, market } from "./sums";
import { measuring, fractions, quiz, map } from "./measures";
import { story, wordWork, procedure, history } from "./words";
import { creature, weatherLog, song, feelings } from "./nature";
import type { SeededRandom } from "./random";
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

/** One generated lesson, without its author. */
export function bulkLesson(random: SeededRandom): Omit<Written, "by"> {
  const grade = random.int(0, 8);
  return {
    ...{ vocabulary: {} },
    ...random.pick(patterns)(random, grade),
    shelf: "commons",
    licence: random.pick(licences),
    language: "en",
    standards: [],
  };
}
