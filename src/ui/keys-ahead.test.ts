/** @jest-environment jsdom */
import { dropKeys, holdKeys, pressKept, takeKeys } from "./keys-ahead";

function press(...keys: string[]): boolean[] {
  return keys.map((key) => {
    const event = new KeyboardEvent("keydown", { key, cancelable: true, bubbles: true });
    document.body.dispatchEvent(event);
    return event.defaultPrevented;
  });
}

afterEach(dropKeys);

test("letters typed before the field is there are kept for it, and are no single keys meanwhile", () => {
  const seen: string[] = [];
  const listener = (event: KeyboardEvent) => void seen.push(event.key);
  window.addEventListener("keydown", listener);
  holdKeys();
  press("p", "u", "x", "Backspace", "f", "Enter");
  expect(takeKeys()).toEqual({ text: "puf", enter: true });
  expect(seen).toEqual([]);
  press("p");
  expect(seen).toEqual(["p"]);
  window.removeEventListener("keydown", listener);
});

test("Escape and time give the keys back", () => {
  jest.useFakeTimers();
  holdKeys();
  press("p", "Escape");
  expect(takeKeys().text).toBe("");
  holdKeys();
  press("p");
  jest.advanceTimersByTime(10_000);
  expect(press("e")).toEqual([false]);
  expect(takeKeys()).toEqual({ text: "", enter: false });
  jest.useRealTimers();
});

test("what is typed into another field stays there", () => {
  const field = document.body.appendChild(document.createElement("input"));
  holdKeys();
  const event = new KeyboardEvent("keydown", { key: "p", bubbles: true });
  field.dispatchEvent(event);
  expect(takeKeys().text).toBe("");
});

test("a key kept for something late is pressed for it, not written down", () => {
  holdKeys();
  pressKept("a");
  press("x");
  expect(takeKeys().text).toBe("x");
});
