/** @jest-environment jsdom */
import { act, fireEvent, render, screen } from "@testing-library/react";
import type { Class } from "@/data/classes/classes";
import { loseDay } from "@/screens/acts/plan";
import type { PlanData } from "@/server/plan/plan";
import { TipProvider } from "@/ui/tip";
import { LoseDayDialog } from "./lose-day-dialog";

const done = jest.fn();
jest.mock("@/screens/acts/plan", () => ({ loseDay: jest.fn() }));
jest.mock("../use-done", () => ({ useDone: () => done }));

beforeAll(() => {
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
});

const now = new Date("2026-10-05T08:00:00Z");
const day = (date: string, starts: string) => ({
  day: { date },
  cells: [{ meetings: [{ starts: new Date(starts) }] }],
});
const plan = {
  board: { days: [day("2026-10-05", "2026-10-05T07:00:00Z"), day("2026-10-06", "2026-10-06T09:00:00Z")] },
} as unknown as PlanData;
const classes = [
  { id: 1, name: "5 Kittiwake" },
  { id: 2, name: "5 Tern" },
] as Class[];
const lost = loseDay as unknown as jest.Mock;
const onClose = jest.fn();

beforeEach(() => {
  jest.clearAllMocks();
  lost.mockResolvedValue({ ok: true, value: { event: 9, moved: 3 } });
  render(<LoseDayDialog plan={plan} classes={classes} today="2026-10-05" now={now} onClose={onClose} />, {
    wrapper: TipProvider,
  });
});
const press = (name: string) => act(async () => void fireEvent.click(screen.getByRole("button", { name })));
const tick = (name: string) => act(async () => void fireEvent.click(screen.getByRole("checkbox", { name })));

test("the next day with a lesson to come is lost for all her classes, and undo is offered", async () => {
  fireEvent.change(screen.getByLabelText("Reason"), { target: { value: " Storm " } });
  await press("Take the day out");
  expect(lost).toHaveBeenCalledWith({ classes: [1, 2], date: "2026-10-06", name: "Storm", move: true });
  expect(done).toHaveBeenCalledWith("Storm: 3 moved on by as many lessons as were lost.", 9);
  expect(onClose).toHaveBeenCalled();
});

test("a reason and a class are needed, said beside them, and nothing is sent", async () => {
  await tick("5 Kittiwake");
  await tick("5 Tern");
  await press("Take the day out");
  expect(screen.getByText("Say why the day is lost.")).toBeTruthy();
  expect(screen.getByText("Choose at least one class.")).toBeTruthy();
  expect(lost).not.toHaveBeenCalled();
});

test("what cannot be moved is said there, and the form stays", async () => {
  lost.mockResolvedValue({ ok: false, problem: "Two would fall after the end of the year." });
  fireEvent.change(screen.getByLabelText("Reason"), { target: { value: "Storm" } });
  await tick("5 Tern");
  await press("Take the day out");
  expect(lost).toHaveBeenCalledWith({ classes: [1], date: "2026-10-06", name: "Storm", move: true });
  expect(screen.getByText("Two would fall after the end of the year.")).toBeTruthy();
  expect(onClose).not.toHaveBeenCalled();
});
