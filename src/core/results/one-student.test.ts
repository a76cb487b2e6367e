import { newQuestion } from "../question/new-question";
import { newStep } from "../resource/edit";
import { parseDocument } from "../resource/schema/document";
import { richText } from "../content/rich-text";
import { historyOf } from "./one-student";
import type { StudentWork, Try } from "./table";

let n = 0;
const newId = () => `h${(n += 1)}`;
const choice = {
  ...newQuestion("choice", "en", () => "q1"),
  ...{ prompt: { en: richText("Where?") }, marks: 2, right: "a" },
  options: ["a", "b"].map((id) => ({ id, text: { en: `option ${id}` } })),
};
const sketch = newQuestion("sketch", "en", () => "q2");
const document = parseDocument({
  ...{ schema: 1, languages: ["en"], title: { en: "Tides" }, kind: "lesson", grades: { from: 4, to: 5 } },
  ...{ subjects: ["science"], licence: "CC-BY-4.0" },
  steps: [
    newStep(
      "en",
      "First",
      newId,
      [choice, sketch].map((question) => ({ id: newId(), type: "question", question }) as never),
    ),
  ],
});
const at = (seconds: number) => new Date(Date.UTC(2026, 10, 24, 9, 0, seconds));
const gave = (question: string, value: unknown, seconds: number, checked = false) => ({
  ...{ step: "s", question, value, at: at(seconds), checked, late: false },
});
const one = (number: number, responses: Try["responses"], handedIn = true): Try => ({
  ...{ number, startedAt: at(0), handedInAt: handedIn ? at(600) : null, responses },
});
const did = (tries: Try[]): StudentWork => ({ student: { id: 1, name: "Bo" }, document, tries });

test("every try is there, with every answer as it was given and the one that counts told apart", () => {
  const history = historyOf(
    did([one(1, [gave("q1", "b", 20, true), gave("q1", "a", 50, true)]), one(2, [gave("q1", "b", 30)])]),
    "best",
  );
  expect(history.map(({ number, marks, outOf, kept }) => [number, marks, outOf, kept])).toEqual([
    [1, 2, 2, true],
    [2, 0, 2, false],
  ]);
  expect(history[0]!.answers[0]!.given.map(({ said, mark, checked }) => [said, mark.verdict, checked])).toEqual([
    ["option b", "wrong", true],
    ["option a", "right", true],
  ]);
  expect(history[0]!.answers[0]!.cell.seconds).toBe(50);
});

test("what was still being written when the next came is one answer; what was checked stays", () => {
  const given = (responses: Try["responses"]) =>
    historyOf(did([one(1, responses)]), "last")[0]!.answers[0]!.given.map(({ said }) => said);
  expect(given([gave("q1", "b", 20), gave("q1", "a", 23)])).toEqual(["option a"]);
  expect(given([gave("q1", "b", 20, true), gave("q1", "a", 23)])).toEqual(["option b", "option a"]);
  expect(given([gave("q1", "b", 20), gave("q1", "a", 60)])).toEqual(["option b", "option a"]);
});

test("a drawing comes as it was last, stroke after stroke; what came too late says so and does not count", () => {
  const stroke = (x: number) => ({ ink: "blue" as const, width: 3 as const, points: [x, 0.1, x, 0.9] });
  const late = { ...gave("q1", "a", 90), late: true };
  const [history] = historyOf(did([one(1, [gave("q2", [stroke(0.2), stroke(0.6)], 40), late])]), "last");
  expect(history!.answers[1]!.made).toHaveLength(2);
  expect(history!.answers[0]!.given).toMatchObject([{ said: "option a", late: true, counts: false }]);
  expect(history!.answers[0]!.cell.mark.verdict).toBe("blank");
});

test("who has not begun has no tries", () => {
  expect(historyOf(did([]), "best")).toEqual([]);
});
