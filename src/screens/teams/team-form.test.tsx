/** @jest-environment jsdom */
import { act, fireEvent, render, screen } from "@testing-library/react";
import type { Answer } from "@/ui/checked-form";
import { TipProvider } from "@/ui/tip";
import { TeamForm } from "./team-form";

beforeAll(() => {
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
});

const start = {
  name: "Grade 4",
  people: [1],
  lines: [
    { id: 5, name: "Reading" },
    { id: 6, name: "Lab" },
  ],
};
const people = [
  { id: 1, name: "Ines Halloran", school: null },
  { id: 2, name: "Teodor Brandt", school: null },
];
const opened = (answer: Answer = { ok: true }) => {
  const save = jest.fn((_team: unknown) => Promise.resolve(answer));
  render(<TeamForm start={start} people={people} saveText="Save" onSave={save} />, { wrapper: TipProvider });
  return save;
};
const press = (name: string) => act(async () => fireEvent.click(screen.getByRole("button", { name })));
const type = (label: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });

test("parts keep who they are when they are moved, a new one has none, and an empty line is left out", async () => {
  const save = opened();
  await press("Move Lab up");
  await press("Add a part");
  await press("Add a part");
  type("Part 4", "Exit questions");
  await press("Save");
  expect(save.mock.calls[0]![0]).toEqual({
    ...start,
    lines: [
      { id: 6, name: "Lab" },
      { id: 5, name: "Reading" },
      { id: null, name: "Exit questions" },
    ],
  });
});

test("a colleague is found by name and comes into the team", async () => {
  const save = opened();
  type("Find a colleague", "teo");
  fireEvent.click(screen.getByRole("checkbox", { name: "Teodor Brandt" }));
  await press("Save");
  expect(save.mock.calls[0]![0]).toEqual({ ...start, people: [1, 2] });
});

test("what is missing is said beside it, and what only the server knows above the button", async () => {
  const save = opened({ ok: false, problem: "Somebody has left the school." });
  type("What is the team called?", " ");
  await press("Take Reading out");
  await press("Take Lab out");
  await press("Save");
  expect(screen.getByText("A team needs a name.")).toBeTruthy();
  expect(screen.getByText(/^Name at least one part of the work/)).toBeTruthy();
  expect(save).not.toHaveBeenCalled();
  type("What is the team called?", "Science");
  await press("Add a part");
  type("Part 1", "Lab");
  await press("Save");
  expect(screen.getByText("Somebody has left the school.")).toBeTruthy();
});
