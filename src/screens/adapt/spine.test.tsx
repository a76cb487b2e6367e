/** @jest-environment jsdom */
import { render, screen } from "@testing-library/react";
import { lesson } from "@/data/testing/world";
import { newStep } from "@/core/resource/edit";
import { most } from "@/core/content/vocabulary";
import { Spine } from "./spine";

jest.mock("@/data/testing/database", () => ({}));
// Hundreds of steps take the test's browser long; how many they are makes no difference.
jest.mock("@/core/content/vocabulary", () => {
  const vocabulary = jest.requireActual<typeof import("@/core/content/vocabulary")>("@/core/content/vocabulary");
  return { ...vocabulary, most: { ...vocabulary.most, steps: 4 } };
});

/** The steps of a lesson with this many. */
function spineOf(count: number) {
  let nth = 0;
  const steps = Array.from({ length: count }, () => newStep("en", "Look", () => `i${(nth += 1)}`));
  const nothing = () => {};
  render(
    <Spine
      {...{ document: { ...lesson("Tides"), steps }, current: null, changes: null, problems: [], periodMinutes: null }}
      {...{ onPick: nothing, onMove: nothing, onMoveSeveral: nothing, onCopy: nothing, onRemove: nothing }}
      {...{ onAdd: nothing, elsewhere: false, onElsewhere: nothing }}
    />,
  );
  return screen.getByRole<HTMLButtonElement>("button", { name: "Step" });
}

test("that there can be no more steps is said before another is added", () => {
  expect(spineOf(most.steps).disabled).toBe(true);
  expect(screen.getByText(`${most.steps} steps are the most a resource can have.`)).toBeTruthy();
});

test("with room for one more it can be added, and nothing is said", () => {
  expect(spineOf(most.steps - 1).disabled).toBe(false);
  expect(screen.queryByText(/are the most/)).toBeNull();
});
