/** @jest-environment jsdom */
import { act, fireEvent, render, screen } from "@testing-library/react";
import type { KeptSet } from "@/data/find/sets";
import { saveSet } from "@/screens/acts/set";
import { TipProvider } from "@/ui/tip";
import { SetForm } from "./set-form";

jest.mock("@/screens/acts/set", () => ({
  lookForSet: jest.fn(() => Promise.resolve({ ok: true, value: { found: [], pictures: [] } })),
  removeSet: jest.fn(),
  saveSet: jest.fn(() => Promise.resolve({ ok: true, value: { id: 3, event: 9 } })),
}));
jest.mock("../use-done", () => ({ useDone: () => jest.fn() }));

const set = (name: string) =>
  ({
    ...{ id: 3, name, note: "", months: [9], cover: null },
    titles: [{ id: 7, title: "Float or sink", author: "Rona Sundin" }],
  }) as unknown as KeptSet;
const handlers = () => ({ onDraft: jest.fn(), onSaved: jest.fn(), onRemoved: jest.fn() });
const name = () => screen.getByLabelText<HTMLInputElement>("What is it called?");
const type = (text: string) => act(async () => fireEvent.change(name(), { target: { value: text } }));
const press = (button: string) => act(async () => fireEvent.click(screen.getByRole("button", { name: button })));

test("what is typed is handed up to be there again; saved, only the ids of its things are sent", async () => {
  const on = handlers();
  render(<SetForm set={set("Ropes")} draft={null} {...on} />, { wrapper: TipProvider });
  expect(on.onDraft).not.toHaveBeenCalled();
  await type("Ropes and rigging");
  await press("Oct");
  expect(on.onDraft).toHaveBeenLastCalledWith(expect.objectContaining({ name: "Ropes and rigging", months: [9, 10] }));
  const kept = on.onDraft.mock.calls.length;
  await press("Save");
  // Saved, it is no draft any more.
  expect(on.onDraft).toHaveBeenCalledTimes(kept);
  expect(saveSet).toHaveBeenCalledWith({
    ...{ id: 3, name: "Ropes and rigging", note: "", months: [9, 10], cover: null, items: [7] },
  });
  expect(on.onSaved).toHaveBeenCalledWith(3);
});

test("a set without a name or without anything in it is not sent, and both are said", async () => {
  jest.mocked(saveSet).mockClear();
  render(<SetForm set={set("Ropes")} draft={null} {...handlers()} />, { wrapper: TipProvider });
  await type("");
  await press("Take Float or sink out");
  await press("Save");
  expect(screen.getByText("A set needs a name.")).toBeTruthy();
  expect(screen.getByText("Put at least one thing in.")).toBeTruthy();
  expect(saveSet).not.toHaveBeenCalled();
});

test("when it is undone or changed elsewhere the form says so, unless something is unsaved", () => {
  const on = handlers();
  const { rerender } = render(<SetForm set={set("Ropes")} draft={null} {...on} />, { wrapper: TipProvider });
  rerender(<SetForm set={set("Knots")} draft={null} {...on} />);
  expect(name().value).toBe("Knots");
  const draft = { name: "Sails", note: "", months: [], cover: null, items: [] };
  rerender(<SetForm set={set("Knots")} draft={draft} {...on} />);
  fireEvent.change(name(), { target: { value: "Sails" } });
  rerender(<SetForm set={set("Winches")} draft={draft} {...on} />);
  expect(name().value).toBe("Sails");
});
