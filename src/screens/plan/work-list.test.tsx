/** @jest-environment jsdom */
import { fireEvent, render, screen, within } from "@testing-library/react";
import type { Assignment } from "@/data/assign/assignments";
import { TipProvider } from "@/ui/tip";
import { WorkList } from "./work-list";

const go = jest.fn();
let address = "";
jest.mock("../use-address", () => ({ useAddress: () => ({ go, parameters: new URLSearchParams(address) }) }));
jest.mock("../use-noted", () => ({ useNoted: () => {} }));
jest.mock("./work-row", () => ({
  WorkRow: ({ assignment }: { assignment: Assignment }) => <li>{assignment.title}</li>,
}));
jest.mock("./many-bar", () => ({
  ManyBar: ({ chosen }: { chosen: readonly Assignment[] }) => <p role="status">{chosen.length} ticked</p>,
}));
jest.mock("./times-dialog", () => ({ TimesDialog: () => null }));

const now = new Date("2027-06-01T12:00:00Z");
const finished = (id: number) =>
  ({
    ...{ id, class: 1, className: "5 Kittiwake", title: `Tides ${id}`, subjects: [], goals: [], calledBack: null },
    ...{ opens: new Date("2027-05-20T08:00:00Z"), due: new Date("2027-05-25T08:00:00Z") },
  }) as unknown as Assignment;
const list = (count: number, earlier: number) =>
  render(
    <WorkList
      assignments={Array.from({ length: count }, (_, at) => finished(at + 1))}
      earlier={earlier}
      classes={[]}
      students={[]}
      zone="Europe/London"
      now={now}
    />,
    { wrapper: TipProvider },
  );
const over = () => screen.getByRole("region", { name: /^Finished/ });
beforeEach(() => {
  address = "";
  go.mockClear();
});

test("of very many only the first are shown and ticked, until she asks for all", () => {
  list(70, 0);
  expect(within(over()).getAllByRole("listitem")).toHaveLength(60);
  fireEvent.click(screen.getByRole("button", { name: "Tick all" }));
  expect(screen.getByRole("status").textContent).toBe("60 ticked");
  fireEvent.click(screen.getByRole("button", { name: "Show all 70" }));
  expect(within(over()).getAllByRole("listitem")).toHaveLength(70);
});

test("what was due long ago is one press away, and is not said to be nothing", () => {
  list(0, 214);
  expect(over().textContent).toContain("Nothing was due in the last three weeks.");
  fireEvent.click(screen.getByRole("button", { name: "214 that were due earlier" }));
  expect(go).toHaveBeenCalledWith({ earlier: 1 }, "push");
});

test("with nothing at all she is told where to begin", () => {
  list(0, 0);
  expect(screen.getByRole("heading", { name: "Nothing has been assigned yet" })).toBeTruthy();
});

test("show everything takes every part of the filter away", () => {
  address = "words=tide&goal=reading";
  list(2, 0);
  fireEvent.click(screen.getByRole("button", { name: "Show everything" }));
  const everything = { words: null, state: null, class: null, student: null, subject: null, goal: null };
  expect(go).toHaveBeenCalledWith(everything);
});
