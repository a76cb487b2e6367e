/** @jest-environment jsdom */
import { act, renderHook } from "@testing-library/react";
import { newQuestion } from "@/core/question/new-question";
import { newStep } from "@/core/resource/edit";
import { questionsOf } from "@/core/resource/document";
import { useLimits } from "./use-limits";

const beginQuestion = jest.fn();
jest.mock("@/screens/acts/student", () => ({ beginQuestion: (input: unknown) => beginQuestion(input) }));

let made = 0;
const newId = () => `id${(made += 1)}`;
const veiled = { ...newQuestion("longText", "en", newId), seconds: 60 };
const asked = { ...newQuestion("shortText", "en", newId), id: veiled.id, seconds: 60 };
const step = newStep("en", "A step", newId, [{ id: newId(), type: "question", question: veiled }]);

const on = { over: jest.fn(), problem: jest.fn() };
const open = (left: number | null) => {
  const limits = { [veiled.id]: { seconds: 60, left } } as never;
  return renderHook(() => useLimits(12, limits, on));
};
const later = (ms: number) => act(async () => void (await jest.advanceTimersByTimeAsync(ms)));

beforeEach(() => {
  jest.useFakeTimers();
  jest.clearAllMocks();
});
afterEach(() => jest.useRealTimers());

test("what a question asks comes when it is opened; when its time is over it is over, and the answers are sent", async () => {
  beginQuestion.mockResolvedValue({ ok: true, value: { left: 60, question: asked } });
  const { result } = open(null);
  expect(questionsOf(result.current.opened(step))[0]!.type).toBe("longText");
  await act(async () => result.current.forSteps.begin(veiled));
  expect(questionsOf(result.current.opened(step))[0]!.type).toBe("shortText");
  await later(59_000);
  expect(result.current.over(veiled)).toBe(false);
  expect(on.over).not.toHaveBeenCalled();
  await later(1_500);
  expect(result.current.over(veiled)).toBe(true);
  expect(on.over).toHaveBeenCalledTimes(1);
});

test("opened before, it goes on with what was left, whatever the device's clock says", async () => {
  const { result } = open(5);
  await later(4_000);
  expect(result.current.over(veiled)).toBe(false);
  await later(1_500);
  expect(result.current.over(veiled)).toBe(true);
});

test("over before the page came, it is over at once", () => {
  const { result } = open(0);
  expect(result.current.over(veiled)).toBe(true);
});

test("without a network the time has not begun, and that is said; refused, the reason is", async () => {
  beginQuestion.mockRejectedValueOnce(new TypeError("no network"));
  const { result } = open(null);
  await act(async () => result.current.forSteps.begin(veiled));
  expect(on.problem).toHaveBeenLastCalledWith("no network");
  expect(result.current.forSteps.beginning).toBeNull();
  const refused = { ok: false, problem: "This has been handed in already.", code: "handedInAlready" };
  beginQuestion.mockResolvedValueOnce(refused);
  await act(async () => result.current.forSteps.begin(veiled));
  expect(on.problem).toHaveBeenLastCalledWith(refused);
  await later(120_000);
  expect(result.current.over(veiled)).toBe(false);
});
