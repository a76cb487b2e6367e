/** @jest-environment jsdom */
import { fireEvent, render, screen } from "@testing-library/react";
import { ChildrenCard } from "./children-card";

jest.mock("@/screens/acts/child-records", () => ({ keepChildRules: jest.fn() }));
jest.mock("./use-keep", () => ({ useKeep: () => ({ notice: null, busy: false, keep: jest.fn() }) }));

const now = new Date("2026-11-30T09:00:00Z");
const child = (id: number, since: string) => ({
  ...{ id, name: `Child ${id}`, left: "in spring", goes: null },
  since: new Date(since),
});
const card = (months: number | null) =>
  render(
    <ChildrenCard
      rules={{ months, asksConsent: false }}
      left={[child(1, "2025-06-30T09:00:00Z"), child(2, "2026-05-29T09:00:00Z")]}
      now={now}
    />,
  );
const choose = (months: string) =>
  fireEvent.change(screen.getByLabelText("Keep the records of children who have left"), { target: { value: months } });

test("before a shorter time is kept it says how many children go within a day", () => {
  card(null);
  expect(screen.queryByText(/left longer ago/)).toBeNull();
  choose("12");
  expect(screen.getByText(/^One child left longer ago than that/)).toBeTruthy();
  choose("6");
  expect(screen.getByText(/^2 children left longer ago than that/)).toBeTruthy();
  choose("36");
  expect(screen.queryByText(/left longer ago/)).toBeNull();
});

test("of the rule that is kept already nothing is said, and there is nothing to keep", () => {
  card(6);
  expect(screen.queryByText(/left longer ago/)).toBeNull();
  expect(screen.getByRole("button", { name: "Keep" }).hasAttribute("disabled")).toBe(true);
});
