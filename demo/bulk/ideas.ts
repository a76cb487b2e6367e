import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { subjects } from "@/core/content/vocabulary";
import type { Written } from "../read";
import { capital, choiceOf, step, type Pattern } from "./pattern";
import type { SeededRandom } from "./random";
import { keepers, places } from "./world";

/** One line of ideas/*.txt: what a lesson is about, for whom, and three words it teaches. */
export interface Idea {
  name: string;
  topics: string[];
  kind: Written["kind"];
  grades: string;
  subject: Written["subjects"][number];
  words: [string, string][];
}

const folder = path.join(import.meta.dirname, "ideas");

/** The lines of one file; its name is the subject of those that name none. */
function readIdeas(file: string): Idea[] {
  const usual = subjects.find((subject) => file === `${subject}.txt`);
  return readFileSync(path.join(folder, file), "utf8")
    .split("\n")
    .filter((line) => line && !line.startsWith("#"))
    .map((line) => {
      const [name, topics, kind, grades, words, subject = usual] = line.split("|");
      if (!name || !topics || !kind || !grades || !words || !subject) throw new Error(`${file}: ${line}`);
      return {
        name,
        topics: topics.split(", "),
        kind: kind as Idea["kind"],
        grades,
        subject: subject as Idea["subject"],
        words: words.split(";").map((pair) => pair.split("=") as [string, string]),
      };
    });
}

export const ideas: readonly Idea[] = readdirSync(folder).sort().flatMap(readIdeas);

/** How one idea comes in many lessons: somebody else's, somewhere else, for another hour. */
const forms = ["", "a first look", "practice", "a game", "review", "station work", "a project"];

function titleOf(random: SeededRandom, { name }: Idea): string {
  const [form, place] = [random.pick(forms), random.pick(places)];
  const where = random.int(0, 3) === 0 ? `with ${random.pick(keepers)} of ${place}` : `at ${place}`;
  return `${capital(name)}${form && `: ${form}`} ${where}`;
}

type Step = Written["steps"][number];

/** The middle of the lesson; which of these an idea has does not change from one lesson to the next. */
const middles: ((random: SeededRandom, idea: Idea) => Step)[] = [
  (random, { words }) =>
    step({
      title: `Sort: ${words.map(([word]) => word).join(", ")}`,
      minutes: random.int(6, 12),
      work: "pairs",
      blocks: [
        {
          write: `Find two examples each for ${words.map(([word]) => word).join(", ")}. Say why they belong there.`,
          lines: 4,
        },
      ],
    }),
  (random, { words, name }) =>
    step({
      title: `${capital(words[1]![0])} in our own work`,
      minutes: random.int(8, 15),
      work: "groups",
      blocks: [
        {
          text: `Work in threes on ${name}. One tries it, one watches for *${words[0]![0]}*, one for *${words[2]![0]}*. Change places.`,
        },
        { write: "What did you notice?", lines: 3 },
      ],
    }),
  (random, { words, name }) =>
    step({
      title: `Explain ${words[0]![0]} to a partner`,
      minutes: random.int(5, 10),
      work: "pairs",
      blocks: [
        {
          write: `Explain to someone who was not here today: what is ${name} about? Use ${words.map(([word]) => `“${word}”`).join(", ")}.`,
          lines: 5,
        },
      ],
    }),
];

/** A lesson on one idea. */
export const lessonOn =
  (idea: Idea): Pattern =>
  (random) => {
    const place = random.pick(places);
    const [first, second, third] = idea.words as [[string, string], [string, string], [string, string]];
    const middle = middles[ideas.indexOf(idea) % middles.length]!;
    return {
      title: titleOf(random, idea),
      kind: idea.kind,
      grades: idea.grades,
      subjects: [idea.subject],
      topics: idea.topics,
      summary: `Students work on ${idea.name} with examples from ${place}: ${first[0]}, ${second[0]} and ${third[0]}, then show what they know.`,
      vocabulary: Object.fromEntries(idea.words),
      steps: [
        step({
          title: `What we know about ${idea.name}`,
          phase: "open",
          minutes: random.int(3, 6),
          work: "class",
          say: `Today is about ${idea.name}. What comes to mind when you hear “${first[0]}”?`,
        }),
        step({
          title: `Three words for ${idea.name}`,
          minutes: random.int(4, 9),
          blocks: [{ match: "Match each word to its meaning.", pairs: Object.fromEntries(idea.words) }],
        }),
        middle(random, idea),
        step({
          title: "Before you go",
          phase: "check",
          minutes: random.int(3, 6),
          blocks: [
            {
              choice: `What does “${third[0]}” mean here?`,
              options: choiceOf(random, third[1], [first[1], second[1]]),
            },
          ],
        }),
      ],
    };
  };
