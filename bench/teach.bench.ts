import { placeChanges } from "@/core/place/place-document";
import { placeOf } from "@/core/place/places";
import { proposeRunSheet } from "@/core/run-sheet/propose";
import { newQuestion } from "@/core/question/new-question";
import { richText } from "@/core/content/rich-text";
import type { Document, Step } from "@/core/resource/document";
import { lesson } from "@/data/testing/world";
import { percentile, printTable, readOptions } from "./table";

/** How long a run sheet takes to propose (`--n` steps, three questions in each), and the list of what belongs elsewhere in 200 steps. */
const { n, json } = readOptions({ n: [40] });
const phases = ["open", "teach", "practise", "check"] as const;

/** How many steps there are, each with three questions, about money and colours. */
const longLesson = (steps: number): Document => ({
  ...lesson("A long lesson"),
  steps: Array.from({ length: steps }, (_, at): Step => ({
    ...{ id: `s${at}`, title: { en: `Step ${at}` }, audience: "student", phase: phases[at % 4]!, work: "pairs" },
    ...{ locked: false, minutes: 8, teacherNotes: { en: richText("Watch the minutes. Many forget them.") } },
    instructions: { en: { text: richText("A cup costs $0.75. Pay with five dollars. What color is the coin?") } },
    blocks: Array.from({ length: 3 }, (_block, nth) => ({
      ...{ id: `s${at}b${nth}`, type: "question" as const },
      question: { ...newQuestion("choice", "en", () => `q${at}-${nth}`), id: `q${at}-${nth}` },
    })),
  })),
});

const timed = (work: () => void): number => {
  const took = Array.from({ length: 30 }, () => {
    const at = performance.now();
    work();
    return performance.now() - at;
  });
  return percentile(took.slice(2), 95);
};

const PLACE_STEPS = 200;
const rows = n.map((steps) => {
  const document = longLesson(steps);
  return {
    case: `run sheet of ${steps} steps`,
    p95_ms: timed(() => {
      let count = 0;
      proposeRunSheet(document, { period: 45, newId: () => `n${(count += 1)}` });
    }),
    wanted_ms: 50,
  };
});
const long = longLesson(PLACE_STEPS);
rows.push({
  case: `what belongs elsewhere in ${PLACE_STEPS} steps`,
  p95_ms: timed(() => void placeChanges(long, placeOf("US")!, placeOf("XS")!)),
  wanted_ms: 150,
});
printTable(rows, json);
