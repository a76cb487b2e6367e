/** @jest-environment jsdom */
import { act, renderHook } from "@testing-library/react";
import type { SeenMarks } from "@/core/marking/given-mark";
import { skillRubric } from "@/core/marking/rubric";
import type { Marking } from "@/server/marking/marking";
import { useMarks } from "./use-marks";

const sent: { act: string; given: Record<string, unknown> }[] = [];
let refused: string | null = null;
/** What the next answers wait for. */
const slowly: Promise<void>[] = [];
const undo: (() => void)[] = [];
const problems: string[] = [];
const answered = (name: string) => (given: Record<string, unknown>) => {
  sent.push({ act: name, given });
  return (slowly.shift() ?? Promise.resolve()).then(() =>
    refused ? { ok: false, problem: refused } : { ok: true, value: {} },
  );
};
jest.mock("@/screens/acts/marking", () => ({
  giveMark: (given: Record<string, unknown>) => answered("give")(given),
  withdrawMark: (given: Record<string, unknown>) => answered("withdraw")(given),
}));
jest.mock("@/ui/toast", () => ({
  tell: (_: string, back: () => void) => undo.push(back),
  tellProblem: (text: string) => problems.push(text),
}));

const answer = { student: 11, number: 1, question: "w" };
const rubric = { id: 7, owner: 1, content: skillRubric("Letters", "l") };
const entry = (more: object): SeenMarks["all"][number] => ({
  ...{ ...answer, id: 1, by: { id: 1, name: "Ines" }, at: new Date(0), kind: "marked", for: null, marks: 3, outOf: 4 },
  ...{ rubric: null, levels: null, comment: "", ...more },
});
const marking = (all: SeenMarks["all"], ways: Marking["ways"] = {}): Marking => ({
  ...{ me: 1, ways, rubrics: [], phrases: [] },
  standing: all.length > 0 ? [{ ...answer, all, counts: null, hidden: [] }] : [],
});
const open = (of: Marking) => renderHook((given: Marking) => useMarks(5, given), { initialProps: of });
const settle = () => act(async () => void (await jest.advanceTimersByTimeAsync(2_000)));

beforeEach(() => {
  jest.useFakeTimers();
  for (const list of [sent, undo, problems]) list.length = 0;
  refused = null;
});
afterEach(() => jest.useRealTimers());

test("a mark is shown at once, kept, and undone by one press to what it was", async () => {
  const { result } = open(marking([entry({})]));
  act(() => result.current.give(answer, { marks: 4 }, () => "4 of 4"));
  expect(result.current.of(answer).marks).toBe(4);
  expect(result.current.state).toBe("saving");
  await settle();
  expect(result.current.state).toBe("saved");
  act(() => undo[0]!());
  await settle();
  expect(result.current.of(answer).marks).toBe(3);
  expect(sent.map(({ given }) => given.marks)).toEqual([4, 3]);
});

test("the first mark undone is taken back, not kept as nothing", async () => {
  const { result } = open(marking([]));
  act(() => result.current.give(answer, { marks: 0 }, () => "0 of 4"));
  act(() => undo[0]!());
  await settle();
  expect(sent.map((one) => one.act)).toEqual(["give", "withdraw"]);
});

test("what is typed is kept when the keys rest, once; and when the view is left before that", async () => {
  const { result, unmount } = open(marking([]));
  for (const text of ["T", "Te", "Tell me more."]) act(() => result.current.say(answer, text));
  expect(sent).toEqual([]);
  await settle();
  expect(sent.map(({ given }) => given.comment)).toEqual(["Tell me more."]);
  act(() => result.current.say(answer, "Tell me much more."));
  unmount();
  await settle();
  expect(sent.at(-1)!.given.comment).toBe("Tell me much more.");
});

test("a mark undone leaves what was written since; and nothing is called saved while words are on their way", async () => {
  const { result } = open(marking([entry({})]));
  act(() => result.current.give(answer, { marks: 4 }, () => "4 of 4"));
  act(() => result.current.say(answer, "Tell me more."));
  await act(async () => void (await jest.advanceTimersByTimeAsync(100)));
  expect(sent).toHaveLength(1);
  expect(result.current.state).toBe("saving");
  act(() => undo[0]!());
  await settle();
  expect(result.current.of(answer)).toMatchObject({ marks: 3, comment: "Tell me more." });
  expect(sent.at(-1)!.given).toMatchObject({ marks: 3, comment: "Tell me more." });
  expect(result.current.state).toBe("saved");
});

test("words whose turn comes after a slow mark are not called saved with it", async () => {
  const answers: (() => void)[] = [];
  for (let nth = 0; nth < 2; nth += 1) slowly.push(new Promise((done) => answers.push(done)));
  const { result } = open(marking([]));
  act(() => result.current.give(answer, { marks: 4 }, () => null));
  act(() => result.current.say(answer, "Tell me more."));
  // The keys rest while the mark is still on its way.
  await settle();
  await act(async () => answers[0]!());
  expect(sent).toHaveLength(2);
  expect(result.current.state).toBe("saving");
  await act(async () => answers[1]!());
  expect(result.current.state).toBe("saved");
});

test("what is refused is said, and not called saved", async () => {
  refused = "How this is marked was changed in another window.";
  const { result } = open(marking([]));
  act(() => result.current.give(answer, { marks: 1 }, () => null));
  await settle();
  expect(problems).toEqual([refused]);
  expect(result.current.state).toBe("not saved");
});

test("what was not saved is saved again by one press, as it is by then; the rest is not sent twice", async () => {
  const { result } = open(marking([]));
  const other = { ...answer, student: 12 };
  act(() => result.current.give(other, { marks: 2 }, () => null));
  await settle();
  refused = "There is no network.";
  act(() => result.current.give(answer, { marks: 1 }, () => null));
  await settle();
  act(() => result.current.give(answer, { marks: 4 }, () => null));
  await settle();
  expect(result.current.of(answer).marks).toBe(4);
  refused = null;
  act(() => result.current.again());
  await settle();
  expect(result.current.state).toBe("saved");
  expect(sent.map(({ given }) => [given.student, given.marks])).toEqual([
    [12, 2],
    [11, 1],
    [11, 4],
    [11, 4],
  ]);
});

test("marks given by another rule stay, and words said to them change nothing of them", async () => {
  const { result } = open(marking([entry({ comment: "Good." })], { w: rubric }));
  expect(result.current.of(answer)).toMatchObject({ levels: {}, marks: null, before: { marks: 3, outOf: 4 } });
  act(() => result.current.say(answer, "Very good."));
  await settle();
  expect(sent[0]!.given).toMatchObject({ rubric: 7, onlyWords: true, comment: "Very good." });
  act(() => result.current.give(answer, { levels: { l: 3 } }, () => null));
  await settle();
  expect(sent[1]!.given).toMatchObject({ levels: { l: 3 }, onlyWords: false });
});

test("when the rubric is changed meanwhile, what was chosen by the old one is not taken for the new one", async () => {
  const { result, rerender } = open(marking([], { w: rubric }));
  act(() => result.current.give(answer, { levels: { l: 2 } }, () => null));
  await settle();
  rerender(marking([entry({ rubric: 7, levels: { l: 2 } })], { w: { ...rubric, id: 8 } }));
  expect(result.current.of(answer)).toMatchObject({ levels: {}, before: { marks: 3, outOf: 4 } });
});
