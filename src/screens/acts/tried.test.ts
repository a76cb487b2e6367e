/** @jest-environment jsdom */
import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import * as toast from "@/ui/toast";
import { orTell, tried } from "./tried";

jest.mock("@/ui/toast", () => ({ tellProblem: jest.fn() }));
const told = toast.tellProblem as unknown as jest.Mock;
beforeEach(() => told.mockClear());
const offline = (now: boolean) => jest.spyOn(navigator, "onLine", "get").mockReturnValue(!now);

test("what the server says comes through as it is", async () => {
  const action = tried(async (input: { n: number }) => ({ ok: true as const, value: input.n + 1 }));
  expect(await action({ n: 1 })).toEqual({ ok: true, value: 2 });
  expect(told).not.toHaveBeenCalled();
});

test("offline an act is said not to be done, where the screen looks and as a note; never silently", async () => {
  offline(true);
  const action = tried(() => Promise.reject(new TypeError("Failed to fetch")));
  expect(await action({})).toMatchObject({ ok: false, problem: expect.stringContaining("You are offline") });
  expect(told).toHaveBeenCalledTimes(1);
});

test("a server that does not answer may have done it: that is said, and not that nothing happened", async () => {
  offline(false);
  const quiet = tried(() => Promise.reject(new Error("An unexpected response was received")), "quietly");
  expect(await quiet({})).toMatchObject({ ok: false, problem: expect.stringContaining("may not have been done") });
  expect(told).not.toHaveBeenCalled();
});

test("where an act leads to another page, that is not caught", async () => {
  const leads = tried(() => Promise.reject(Object.assign(new Error("x"), { digest: "NEXT_REDIRECT;push;/find" })));
  await expect(leads({})).rejects.toThrow("x");
});

test("undoing that did not work is told", async () => {
  expect(await orTell(Promise.resolve({ ok: false, problem: "Somebody changed it since." }))).toBe(false);
  expect(told).toHaveBeenCalledWith("Somebody changed it since.");
});

test("no act that leaves the outcome unread goes round this: every action of the server is wrapped", () => {
  const folder = path.resolve("src/screens/acts");
  for (const file of readdirSync(folder).filter((name) => !name.startsWith("tried"))) {
    const lines = readFileSync(path.join(folder, file), "utf8").split("\n");
    const exported = lines.filter((line) => line.startsWith("export"));
    expect(exported.length).toBeGreaterThan(0);
    for (const line of exported) expect(line).toMatch(/= tried\(actions\.\w+(, "quietly")?\);$/);
  }
});
