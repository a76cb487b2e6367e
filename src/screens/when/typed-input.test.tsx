/** @jest-environment jsdom */
import { fireEvent, render, screen } from "@testing-library/react";
import { useState } from "react";
import { DateInput, MomentInput, TimeInput } from "./typed-input";

beforeAll(() => jest.useFakeTimers({ now: new Date(2026, 10, 27, 12) }));
afterAll(() => jest.useRealTimers());

function Form({ start, optional, onValue }: { start: string; optional?: boolean; onValue: (value: string) => void }) {
  const [value, setValue] = useState(start);
  return (
    <>
      <MomentInput
        aria-label="Due"
        value={value}
        optional={optional ?? false}
        onChange={(next) => {
          setValue(next);
          onValue(next);
        }}
      />
      <button onClick={() => setValue("2026-12-01T09:00")}>Undo</button>
    </>
  );
}
const box = () => screen.getByRole<HTMLInputElement>("textbox");
const type = (text: string) => fireEvent.change(box(), { target: { value: text } });

test("a moment is shown in words, typed as people type it, and put in order when she leaves it", () => {
  const onValue = jest.fn();
  render(<Form start="2026-11-30T07:00" onValue={onValue} />);
  expect(box().value).toBe("Mon 30 Nov 2026, 07:00");
  type("friday 3 pm");
  expect(box().value).toBe("friday 3 pm");
  expect(onValue).toHaveBeenLastCalledWith("2026-12-04T15:00");
  fireEvent.blur(box());
  expect(box().value).toBe("Fri 4 Dec 2026, 15:00");
});

test("what cannot be read stays to be mended, is shown as wrong, and is never taken for what stood there before", () => {
  const onValue = jest.fn();
  render(<Form start="2026-11-30T07:00" onValue={onValue} />);
  type("some day");
  expect(onValue).toHaveBeenLastCalledWith("");
  expect(box().getAttribute("aria-invalid")).toBe("true");
  fireEvent.blur(box());
  expect(box().value).toBe("some day");
});

test("where a moment may be left out, what cannot be read goes on as typed, for the server to refuse", () => {
  const onValue = jest.fn();
  render(<Form start="" optional onValue={onValue} />);
  type("some day");
  expect(onValue).toHaveBeenLastCalledWith("some day");
  type("");
  expect(onValue).toHaveBeenLastCalledWith("");
  expect(box().getAttribute("aria-invalid")).toBeNull();
});

test("changed from outside, what was typed makes way", () => {
  render(<Form start="2026-11-30T07:00" onValue={() => undefined} />);
  type("friday");
  fireEvent.click(screen.getByRole("button", { name: "Undo" }));
  expect(box().value).toBe("Tue 1 Dec 2026, 09:00");
});

test("typing goes on where the form takes only whole times", () => {
  const taken: string[] = [];
  render(<TimeInput aria-label="From" value="08:00" onChange={(value) => value.length === 5 && taken.push(value)} />);
  type("9");
  type("9:");
  expect(box().value).toBe("9:");
  type("9:3");
  type("9:30");
  expect(taken).toContain("09:30");
});

test("a date keeps to the date", () => {
  const onValue = jest.fn();
  render(<DateInput aria-label="Last day" value="" onChange={onValue} />);
  type("5 jan");
  expect(onValue).toHaveBeenLastCalledWith("2027-01-05");
});
