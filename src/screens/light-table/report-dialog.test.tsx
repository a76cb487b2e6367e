/** @jest-environment jsdom */
import { act, fireEvent, render, screen } from "@testing-library/react";
import { reportResource } from "@/screens/acts/report";
import type { LightTableData } from "@/server/find/light-table";
import { ReportForm } from "./report-dialog";

jest.mock("@/screens/acts/report", () => ({ reportResource: jest.fn() }));
jest.mock("@/ui/toast", () => ({ tell: jest.fn() }));
jest.mock("../use-address", () => ({ useAddress: () => ({ parameters: new URLSearchParams("step=2") }) }));

const step = (id: string, title: string) => ({ id, title: { en: title }, blocks: [] });
const data = {
  resource: { id: 7, ownerName: "Aud Fennimore" },
  document: { languages: ["en"], steps: [step("one", "Look"), step("two", "Weigh")] },
} as unknown as LightTableData;
const reported = reportResource as unknown as jest.Mock;
const onDone = jest.fn();

const send = () => act(async () => void fireEvent.click(screen.getByRole("button", { name: "Report it" })));
beforeEach(() => {
  jest.clearAllMocks();
  reported.mockResolvedValue({ ok: true, value: { to: "curators" } });
  render(<ReportForm data={data} onDone={onDone} />);
});

test("what is wrong must be said; it is said beside it, and nothing is sent", async () => {
  await send();
  expect(screen.getByRole("group", { name: "What is wrong?" }).getAttribute("aria-describedby")).toBe("report-kind");
  expect(screen.getByText("Choose what is wrong.")).toBeTruthy();
  expect(reported).not.toHaveBeenCalled();
});

test("it is about the step she looked at, or all of it", async () => {
  fireEvent.click(screen.getByLabelText("an answer or a fact is wrong"));
  fireEvent.change(screen.getByLabelText("Anything that helps to fix it"), { target: { value: " A cork floats. " } });
  await send();
  const said = { resource: 7, kind: "wrong", note: "A cork floats." };
  expect(reported).toHaveBeenLastCalledWith({ ...said, step: "two" });
  fireEvent.change(screen.getByLabelText("Where?"), { target: { value: "" } });
  await send();
  expect(reported).toHaveBeenLastCalledWith({ ...said, step: null });
  expect(onDone).toHaveBeenCalledTimes(2);
});

test("what the server says stands there, and what was written stays", async () => {
  reported.mockResolvedValue({ ok: false, problem: "This is not here any more." });
  fireEvent.click(screen.getByLabelText("something does not work"));
  fireEvent.change(screen.getByLabelText("Anything that helps to fix it"), { target: { value: "The film stops." } });
  await send();
  expect(screen.getByText("This is not here any more.")).toBeTruthy();
  expect((screen.getByLabelText("Anything that helps to fix it") as HTMLTextAreaElement).value).toBe("The film stops.");
  expect(onDone).not.toHaveBeenCalled();
});
