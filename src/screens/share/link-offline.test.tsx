/** @jest-environment jsdom */
import { act, fireEvent, render, screen } from "@testing-library/react";
import { tellProblem } from "@/ui/toast";
import { TipProvider } from "@/ui/tip";
import { LinkShare } from "./link-share";

jest.mock("@/server/share/link-actions", () => ({
  makeLink: () => Promise.reject(new TypeError("Failed to fetch")),
  lookAtLinks: () => Promise.resolve({ ok: true, value: [] }),
}));
jest.mock("@/ui/toast", () => ({ tell: jest.fn(), tellProblem: jest.fn() }));
jest.mock("../use-done", () => ({ useDone: () => () => undefined }));

test("without a network a form says so once, beside its button, and can be sent again", async () => {
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
  jest.spyOn(navigator, "onLine", "get").mockReturnValue(false);
  await act(async () => {
    render(<LinkShare resources={[{ id: 7 }]} name="Tides" onDone={() => {}} />, { wrapper: TipProvider });
  });
  const make = screen.getByRole("button", { name: /^Make/ }) as HTMLButtonElement;
  await act(async () => void fireEvent.click(make));
  expect(screen.getByRole("alert").textContent).toContain("You are offline");
  expect(tellProblem).not.toHaveBeenCalled();
  expect(make.disabled).toBe(false);
});
