/** @jest-environment jsdom */
import { act, fireEvent, render, screen } from "@testing-library/react";
import type { LessonCommand } from "@/core/live/lesson";
import { QuickDialog } from "./quick-dialog";

beforeAll(() => {
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
});

const opened = (goes = true) => {
  const lead = jest.fn((_asked: LessonCommand) => Promise.resolve(goes));
  const close = jest.fn();
  render(<QuickDialog open onOpenChange={close} lead={lead} />);
  return { lead, close };
};
const type = (label: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
const ask = () => act(async () => fireEvent.click(screen.getByRole("button", { name: "Ask" })));

test("without a question, or with less than two answers to choose from, it says so and asks nobody", async () => {
  const { lead } = opened();
  type("What they can choose", "yes");
  await ask();
  expect(screen.getByText("Type what you want to ask.")).toBeTruthy();
  expect(screen.getByText("Two to six different answers, one a line.")).toBeTruthy();
  expect(lead).not.toHaveBeenCalled();
});

test("asked, it closes, and the next one begins with the same answers to choose from", async () => {
  const { lead, close } = opened();
  type("Your question", "How sure are you?");
  type("What they can choose", "sure\n\nunsure");
  await ask();
  expect(lead.mock.calls).toMatchObject([
    [{ do: "ask", question: { kind: "choose", ask: "How sure are you?", options: ["sure", "unsure"] } }],
  ]);
  expect(close).toHaveBeenCalledWith(false);
  expect(screen.getByLabelText<HTMLInputElement>("Your question").value).toBe("");
  expect(screen.getByLabelText<HTMLTextAreaElement>("What they can choose").value).toBe("sure\nunsure");
});

test("what could not be asked stays as it was typed", async () => {
  const { close } = opened(false);
  type("Your question", "How sure are you?");
  await ask();
  expect(close).not.toHaveBeenCalled();
  expect(screen.getByLabelText<HTMLInputElement>("Your question").value).toBe("How sure are you?");
});
