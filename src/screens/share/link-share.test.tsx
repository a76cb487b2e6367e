/** @jest-environment jsdom */
import { act, fireEvent, render, screen } from "@testing-library/react";
import { lookAtLinks, makeLink } from "@/screens/acts/link";
import { TipProvider } from "@/ui/tip";
import { LinkShare } from "./link-share";

const done = jest.fn();
jest.mock("@/screens/acts/link", () => ({ makeLink: jest.fn(), lookAtLinks: jest.fn(), endLink: jest.fn() }));
jest.mock("../use-done", () => ({ useDone: () => done }));

beforeAll(() => {
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
});

const made = makeLink as unknown as jest.Mock;
const address = "https://satchel.example/look/abc";

beforeEach(async () => {
  jest.clearAllMocks();
  made.mockResolvedValue({ ok: true, value: { event: 4, address } });
  (lookAtLinks as unknown as jest.Mock).mockResolvedValue({ ok: true, value: [] });
  await act(async () => {
    render(<LinkShare resources={[{ id: 7 }, { id: 9 }]} name="Tides, term 1" onDone={() => {}} />, {
      wrapper: TipProvider,
    });
  });
});
const make = () => act(async () => void fireEvent.click(screen.getByRole("button", { name: /^Make/ })));
const lastDay = (typed: string) => fireEvent.change(screen.getByLabelText(/^Last day/), { target: { value: typed } });

test("a link lets people copy it, answers and all, until she ends it, unless she says otherwise", async () => {
  await make();
  const all = { resources: [7, 9], name: "Tides, term 1" };
  expect(made).toHaveBeenLastCalledWith({ ...all, way: "copy", teacherPart: true, until: null });
  expect(screen.getByDisplayValue(address)).toBeTruthy();
  fireEvent.click(screen.getByRole("radio", { name: "Look only" }));
  fireEvent.click(screen.getByRole("checkbox", { name: "With answers and notes for the teacher" }));
  lastDay("30 Jun 2099");
  await make();
  expect(made).toHaveBeenLastCalledWith({ ...all, way: "look", teacherPart: false, until: "2099-06-30" });
});

test("a day that cannot be read is said beside its field, and no link is made", async () => {
  lastDay("the 40th");
  await make();
  expect(screen.getByText("Write the day like 30 Nov 2026.")).toBeTruthy();
  expect(screen.getByLabelText(/^Last day/)).toHaveProperty("value", "the 40th");
  expect(made).not.toHaveBeenCalled();
});

test("what the server says of the day stands beside it, and what was chosen stays", async () => {
  made.mockResolvedValue({ ok: false, problem: "That day is over.", field: "until" });
  fireEvent.click(screen.getByRole("radio", { name: "Look only" }));
  lastDay("1 Mar 2020");
  await make();
  expect(screen.getByLabelText(/^Last day/).getAttribute("aria-invalid")).toBe("true");
  expect(screen.getByText("That day is over.")).toBeTruthy();
  expect(screen.getByRole("radio", { name: "Look only" }).getAttribute("aria-checked")).toBe("true");
});

test("Enter in the address copies it, and makes no other link", async () => {
  await make();
  const writeText = jest.fn(async () => {});
  Object.assign(navigator, { clipboard: { writeText } });
  const sent = fireEvent.keyDown(screen.getByDisplayValue(address), { key: "Enter" });
  expect(writeText).toHaveBeenCalledWith(address);
  // What was prevented sends no form.
  expect(sent).toBe(false);
});

test("undone, the address is gone again", async () => {
  await make();
  const [, event, { onUndone }] = done.mock.calls[0]! as [string, number, { onUndone: () => void }];
  expect(event).toBe(4);
  await act(async () => onUndone());
  expect(screen.queryByDisplayValue(address)).toBeNull();
});
