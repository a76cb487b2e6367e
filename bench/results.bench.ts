import { analyse } from "@/core/results/items";
import { resultTable, type StudentWork } from "@/core/results/table";
import { lesson } from "@/data/testing/world";
import { SeededRandom } from "@demo/bulk/random";
import { percentile, printTable, readOptions } from "./table";
import { choiceQuestion } from "./choice";

/** Whether questions were any good, worked out for a large year: `--n` students by 60 questions. */
const { n, json } = readOptions({ n: [200] });
const QUESTIONS = 60;

const base = lesson("A long test");
const document = {
  ...base,
  steps: [
    {
      ...base.steps[0]!,
      blocks: Array.from({ length: QUESTIONS }, (_, nth) => ({
        id: `block-${nth}`,
        type: "question" as const,
        question: choiceQuestion(nth),
      })),
    },
  ],
};

const rows = [];
for (const students of n) {
  const random = new SeededRandom(7);
  const works = Array.from({ length: students }, (_, at): StudentWork => {
    const ability = 0.3 + 0.6 * random.next();
    const responses = Array.from({ length: QUESTIONS }, (_question, nth) => ({
      ...{ step: base.steps[0]!.id, question: `q${nth}`, checked: false, late: false },
      value: random.next() < ability ? "b" : random.pick(["a", "c", "d"]),
      at: new Date(nth * 40_000 + random.next() * 30_000),
    }));
    return {
      student: { id: at + 1, name: `Student ${at + 1}` },
      document,
      tries: [{ number: 1, startedAt: new Date(0), handedInAt: new Date(QUESTIONS * 41_000), responses }],
    };
  });
  const time = (work: () => unknown) => {
    const took = Array.from({ length: 20 }, () => {
      const at = performance.now();
      work();
      return performance.now() - at;
    });
    return percentile(took.slice(2), 95);
  };
  const table = resultTable(works, "last");
  const name = `${students} students x ${QUESTIONS} questions`;
  rows.push(
    { case: `${name}: questions judged`, p95_ms: time(() => analyse(table)), wanted_ms: 50 },
    { case: `${name}: every answer marked, the table`, p95_ms: time(() => resultTable(works, "last")), wanted_ms: 150 },
  );
}
printTable(rows, json);
