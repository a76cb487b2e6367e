/** @jest-environment jsdom */
import { fireEvent, render } from "@testing-library/react";
import { useKeys } from "./keys";

function Keyed({ keys }: { keys: Parameters<typeof useKeys>[0] }) {
  useKeys(keys);
  return <input aria-label="words" />;
}

test("a key held down moves on through a list, and decides nothing twice", () => {
  const [accept, down] = [jest.fn(), jest.fn()];
  render(<Keyed keys={{ a: accept, j: down, ArrowRight: down }} />);
  fireEvent.keyDown(window, { key: "a" });
  for (let held = 0; held < 5; held += 1) fireEvent.keyDown(window, { key: "a", repeat: true });
  expect(accept).toHaveBeenCalledTimes(1);
  for (const key of ["j", "ArrowRight"]) fireEvent.keyDown(window, { key, repeat: true });
  expect(down).toHaveBeenCalledTimes(2);
});

test("keys typed into a field are words, and nothing else", () => {
  const accept = jest.fn();
  const { getByLabelText } = render(<Keyed keys={{ a: accept }} />);
  fireEvent.keyDown(getByLabelText("words"), { key: "a" });
  expect(accept).not.toHaveBeenCalled();
});
