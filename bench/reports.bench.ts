import { lettersReport } from "@/core/report/letters-report";
import { tableReport } from "@/core/report/table-report";
import { makePaper } from "@/server/web/make-paper";
import { buildParts } from "../scripts/build-parts.mjs";
import { percentile, printTable, readOptions } from "./table";

/** A PDF of `--n` families' letters, and of their marks; and how long the server's own thread stood still meanwhile. */
const { n, json } = readOptions({ n: [30] });
const TURNS = 5;

await buildParts();
const of = { title: "Letters", school: "Lighthouse Road Primary", teacher: "Ines Halloran" };
const lines = Array.from(
  { length: 8 },
  (_, at) => `Reads a timetable and works out how long a journey takes, part ${at}`,
);
const rows = [];
for (const students of n) {
  const letters = Array.from({ length: students }, (_, at) => ({
    name: `Child ${at}`,
    letter: {
      ...{
        language: "en",
        greeting: `Dear family of Child ${at},`,
        opening: "In this term …",
        home: "",
        remark: "",
        closing: "Yours",
      },
      sections: ["can do", "is on the way to", "needs time for"].map((heading) => ({ heading, lines })),
    },
  }));
  const marks = [
    ["Student", ...Array.from({ length: 40 }, (_, at) => `Work ${at}`)],
    ...letters.map(({ name }) => [name, ...Array.from({ length: 40 }, (_, at) => at * 2.5)]),
  ];
  const time = async (work: () => Promise<unknown>) => {
    const took: number[] = [];
    let longest = 0;
    for (let turn = 0; turn < TURNS; turn += 1) {
      let last = performance.now();
      const beat = setInterval(() => {
        const now = performance.now();
        longest = Math.max(longest, now - last);
        last = now;
      }, 5);
      const began = performance.now();
      await work();
      took.push(performance.now() - began);
      clearInterval(beat);
    }
    return { took: percentile(took, 95), longest };
  };
  const written = await time(() => makePaper(lettersReport(letters, of), "pdf"));
  const table = await time(() =>
    makePaper(tableReport(marks, { title: "Marks", subtitle: "", author: "Ines Halloran", heads: 1, kept: 1 }), "pdf"),
  );
  rows.push(
    { case: `${students} letters as a PDF`, p95_ms: written.took, wanted_ms: 5000 },
    { case: `marks of ${students} students as a PDF`, p95_ms: table.took, wanted_ms: 5000 },
    { case: "the server stood still at most", p95_ms: Math.max(written.longest, table.longest), wanted_ms: 100 },
  );
}
printTable(rows, json);
