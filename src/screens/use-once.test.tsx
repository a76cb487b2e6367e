/** @jest-environment jsdom */
import { act, fireEvent, render } from "@testing-library/react";
import { useOnce } from "./use-once";

test("pressed twice at once it is done once; when it is done, or has failed, it can be done again", async () => {
  let end: (() => void)[] = [];
  const work = jest.fn(() => new Promise<void>((done) => end.push(done)));
  function Pressed() {
    const [busy, run] = useOnce();
    return <button onClick={() => run(work)}>{busy ? "busy" : "do it"}</button>;
  }
  const { getByRole } = render(<Pressed />);
  const press = () => fireEvent.click(getByRole("button"));
  press();
  press();
  expect(work).toHaveBeenCalledTimes(1);
  expect(getByRole("button").textContent).toBe("busy");
  await act(async () => end.forEach((done) => done()));
  end = [];
  expect(getByRole("button").textContent).toBe("do it");
  press();
  expect(work).toHaveBeenCalledTimes(2);
  await act(async () => end.forEach((done) => done()));
});
