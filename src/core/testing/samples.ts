import { richText } from "../content/rich-text";
import { newDrawing, newItem, withItem } from "../drawing/drawing";
import { placeOf } from "../place/places";
import { factsOf, type Facts } from "../resource/facts";
import { pageOf, type PageChange } from "../together/contributions";
import * as Y from "yjs";
import { anyNeed } from "../find/need";
import type { Question } from "../question/question";
import type { BlockOf } from "../resource/block";
import { newStep } from "../resource/edit";
import { lessonOf } from "../resource/testing/documents";
import { resultTable, type StudentWork } from "../results/table";
import type { RunSheet } from "../run-sheet/schema";

/** What the uses shown in comments speak of where more than a number or a text is asked for; see uses.test.ts. */

export const question = {
  id: "q",
  type: "shortText",
  prompt: { en: richText("How often does the tide come in?") },
  marks: 1,
  partial: "by part",
  checked: "at once",
  accepted: [{ text: "twice", share: 1 }],
  spelling: { ignoreCase: true, ignoreAccents: true, forgiveOneSlip: false },
} satisfies Question;

/** A text to read, a question, and a step for the teacher. */
export const lesson = lessonOf([
  newStep("en", "Look", () => "look", [
    { id: "text", type: "text", text: { en: richText("The tide comes in twice a day.") } },
  ]),
  newStep("en", "Ask", () => "ask", [{ id: "block", type: "question", question }]),
  { ...newStep("en", "Answers", () => "answers"), audience: "teacher" },
]);

/** Something about tides for grade 4 or 5. */
export const need = { ...anyNeed, words: "tides", grades: [4, 5] };

/** A page with an arrow "a" and, over it, a rectangle "b". */
export const drawing = withItem(
  withItem(newDrawing(), newItem("arrow", newDrawing(), "en", "a")),
  newItem("rectangle", newDrawing(), "en", "b"),
);

/** A film of a minute that stops at ten seconds for something to read. */
export const film = {
  id: "film",
  type: "film",
  title: { en: "The tide" },
  file: "shipped:tide",
  seconds: 60,
  captions: {},
  stops: [{ id: "stop", at: 10, maySkip: true, note: { en: richText("Look at the boats.") } }],
} as unknown as BlockOf<"film">;

/** A lesson of twenty minutes: part "a" has two lines, part "b" none, and goes first when time is short. */
export const sheet = {
  ...{ period: 20, materials: [], words: [], short: ["b"] },
  days: [
    {
      id: "day",
      parts: [
        {
          ...{ id: "a", phase: "teach", minutes: 10 },
          lines: [
            { id: "say", kind: "I say", text: "Look at the tide.", ifNobody: false },
            { id: "do", kind: "they do", text: "Write it down.", ifNobody: false },
          ],
        },
        { id: "b", phase: "practise", minutes: 10, lines: [] },
      ],
    },
  ],
} as RunSheet;

const answered = (name: string, id: number, value: string): StudentWork => ({
  student: { id, name },
  document: lesson,
  tries: [
    {
      number: 1,
      startedAt: new Date("2026-12-01T09:00:00Z"),
      handedInAt: new Date("2026-12-01T09:02:00Z"),
      responses: [
        { step: "ask", question: "q", value, at: new Date("2026-12-01T09:01:00Z"), checked: false, late: false },
      ],
    },
  ],
});

/** Ana had it wrong, Bo right. */
export const works = [answered("Ana", 1, "once"), answered("Bo", 2, "twice")];
export const table = resultTable(works, "best");

/** What is known of a resource that suits the class `group`. */
export const facts: Facts = { ...factsOf(lesson), grades: { from: 4, to: 5 }, minutes: 25, readingGrade: 4.1 };

export const [america, britain] = [placeOf("US")!, placeOf("GB")!];

/** A page of two children: 1 wrote "Low ", then 2 "tide". */
export const pageChanges = (() => {
  const page = new Y.Doc();
  const changes: PageChange[] = [];
  for (const [at, text] of ["Low ", "tide"].entries()) {
    const before = Y.encodeStateVector(page);
    const device = new Y.Doc();
    device.clientID = at + 1;
    Y.applyUpdate(device, Y.encodeStateAsUpdate(page));
    device.getText("text q ").insert(device.getText("text q ").length, text);
    const change = Y.encodeStateAsUpdate(device, before);
    Y.applyUpdate(page, change);
    changes.push({ id: at + 1, student: at + 1, at: Date.UTC(2026, 11, 1, 9, at), change, erased: false });
  }
  return changes;
})();

export const newPage = () => pageOf(pageChanges);

export { kittiwake as group, lookedAt, resource } from "../assign/testing/looked";
export { world, base, puffin } from "../assign/typed/testing";
export { lineOf } from "../find/testing";
export { tokensOf } from "../assign/typed/token";
export { daily, isles } from "../calendar/testing/calendar";
