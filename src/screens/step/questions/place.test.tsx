/** @jest-environment jsdom */
import { fireEvent, render, screen } from "@testing-library/react";
import { useState } from "react";
import { richText } from "@/core/content/rich-text";
import type { QuestionOf, ResponseOf } from "@/core/question/question";
import { Messages } from "../../language/messages";
import { PlaceView } from "./place";

const question: QuestionOf<"place"> = {
  ...{
    id: "q",
    type: "place",
    prompt: { en: richText("Mark them.") },
    marks: 1,
    partial: "by part",
    checked: "at once",
  },
  ...{ media: "drawing:isles-map", description: { en: "A map" }, grid: true, right: [] },
  most: 2,
};

function Sheet({ onValue }: { onValue: (value: ResponseOf<"place">) => void }) {
  const [value, setValue] = useState<ResponseOf<"place">>();
  return (
    <Messages language="en">
      <PlaceView
        {...{ question, value, languages: ["en"], parts: {}, labelledBy: "p", readOnly: false }}
        onChange={(next) => {
          setValue(next);
          onValue(next);
        }}
      />
    </Messages>
  );
}

test("pressed twice at one spot it is one mark, and no more are taken than may be marked", () => {
  const onValue = jest.fn();
  render(<Sheet onValue={onValue} />);
  const map = screen.getByRole("application");
  map.getBoundingClientRect = () => ({ left: 0, top: 0, width: 100, height: 80 }) as DOMRect;
  const press = (clientX: number, clientY: number) => fireEvent.click(map, { clientX, clientY });
  press(20, 20);
  press(21, 20);
  expect(onValue).toHaveBeenCalledTimes(1);
  press(80, 60);
  press(50, 40);
  expect(onValue).toHaveBeenLastCalledWith([
    [0.2, 0.25],
    [0.8, 0.75],
  ]);
  expect(screen.getByText("2 of 2 marked. Take one away to mark another:")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "Take away C3" }));
  expect(onValue).toHaveBeenLastCalledWith([[0.8, 0.75]]);
});

test("a finger that only rests on the map while the page scrolls marks nothing", () => {
  const onValue = jest.fn();
  render(<Sheet onValue={onValue} />);
  fireEvent.pointerDown(screen.getByRole("application"));
  fireEvent.pointerCancel(screen.getByRole("application"));
  expect(onValue).not.toHaveBeenCalled();
});
