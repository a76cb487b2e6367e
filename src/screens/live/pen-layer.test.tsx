/** @jest-environment jsdom */
import { act, fireEvent, render, screen } from "@testing-library/react";
import { useRef } from "react";
import type { Stroke } from "@/core/live/lesson";
import { PenLayer } from "./pen-layer";

beforeAll(() => {
  globalThis.ResizeObserver = class {
    constructor(private measured: ResizeObserverCallback) {}
    observe() {
      this.measured([], this);
    }
    unobserve() {}
    disconnect() {}
  };
  Element.prototype.getBoundingClientRect = () => new DOMRect(0, 0, 600, 200);
});

function Sheet({ onStroke }: { onStroke?: (stroke: Stroke) => void }) {
  const sheet = useRef<HTMLDivElement>(null);
  return (
    <div ref={sheet}>
      <div data-block="table">Tide table</div>
      <PenLayer around={sheet} strokes={[]} onStroke={onStroke} />
    </div>
  );
}

const pen = () => screen.getByRole("application", { name: /^Pen/ });
const press = (...keys: string[]) => keys.forEach((key) => fireEvent.keyDown(pen(), { key }));

test("the pen is there at once for the arrow keys: Space puts it down and lifts it, and the line belongs to what it was begun on", () => {
  const lines: Stroke[] = [];
  render(<Sheet onStroke={(stroke) => lines.push(stroke)} />);
  expect(document.activeElement).toBe(pen());
  press("ArrowRight", "ArrowRight", " ", "ArrowRight", "ArrowDown");
  expect(lines).toEqual([]);
  press(" ");
  // From the middle, in thousandths of the width: 24 pixels to the right, then 12 more, then 12 down.
  expect(lines).toMatchObject([{ on: "table", points: [540, 167, 540, 167, 560, 167, 560, 187] }]);
});

test("Escape leaves the line out, and then the keys are the screen's again", () => {
  const lines: Stroke[] = [];
  render(<Sheet onStroke={(stroke) => lines.push(stroke)} />);
  press(" ", "ArrowLeft", "Escape", "ArrowLeft");
  expect(lines).toEqual([]);
  press("Escape");
  expect(document.activeElement).not.toBe(pen());
  expect(lines).toEqual([]);
});

test("a line that is not finished when the keys go elsewhere is kept", () => {
  const lines: Stroke[] = [];
  render(<Sheet onStroke={(stroke) => lines.push(stroke)} />);
  press(" ", "ArrowUp");
  act(() => pen().blur());
  expect(lines).toHaveLength(1);
});

test("as soon as a pointer moves over the step, the keys are the screen's again", () => {
  render(<Sheet onStroke={() => undefined} />);
  const move = (movementX: number) =>
    fireEvent(pen(), Object.assign(new MouseEvent("pointermove", { bubbles: true }), { movementX, movementY: 0 }));
  move(0);
  expect(document.activeElement).toBe(pen());
  const there = pen();
  move(3);
  expect(document.activeElement).not.toBe(there);
  expect(document.activeElement).not.toBe(pen());
});

test("the pen stays on the step", () => {
  const lines: Stroke[] = [];
  render(<Sheet onStroke={(stroke) => lines.push(stroke)} />);
  press(" ", ...Array.from({ length: 40 }, () => "ArrowRight"), " ");
  expect(Math.max(...lines[0]!.points)).toBe(1000);
});

test("without the pen it is nothing that could be reached", () => {
  render(<Sheet />);
  expect(screen.queryByRole("application")).toBeNull();
});
