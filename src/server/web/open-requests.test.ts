import http from "node:http";
import type { AddressInfo } from "node:net";
import type { Db } from "@/data/engine/db";
import { health } from "./health";
import {
  closeDoors,
  drainSeconds,
  everybodyAnswered,
  isStopping,
  announceStop,
  unanswered,
  watchRequests,
} from "./open-requests";

let server: http.Server;
let answer: (response: http.ServerResponse) => void;
let port: number;
const ask = () => fetch(`http://127.0.0.1:${port}/`, { headers: { connection: "close" } });

beforeAll(async () => {
  watchRequests();
  watchRequests();
  server = http.createServer((_, response) => answer(response));
  await new Promise<void>((done) => server.listen(0, "127.0.0.1", done));
  ({ port } = server.address() as AddressInfo);
});
afterAll(() => void server.close());

test("a stop waits for an answer that is on its way, to its last byte", async () => {
  answer = (response) => {
    response.write("half");
    setTimeout(() => response.end(" and half"), 400);
  };
  const asked = ask();
  await new Promise((done) => setTimeout(done, 100));
  expect(unanswered()).toBe(1);
  const began = Date.now();
  expect(await everybodyAnswered(5_000)).toBe(true);
  expect(Date.now() - began).toBeGreaterThan(250);
  expect(await (await asked).text()).toBe("half and half");
});

test("a connection outlives the minute for which proxies keep theirs", async () => {
  answer = (response) => response.end("so");
  const { headers } = await fetch(`http://127.0.0.1:${port}/`);
  const seconds = Number(/timeout=(\d+)/.exec(headers.get("keep-alive") ?? "")?.[1]);
  expect(seconds).toBeGreaterThan(60);
});

test("an answer that never comes is not waited for longer than is said", async () => {
  let open: http.ServerResponse | undefined;
  answer = (response) => void (open = response);
  const asked = ask().catch(() => null);
  await new Promise((done) => setTimeout(done, 100));
  expect(await everybodyAnswered(300)).toBe(false);
  open!.end();
  await asked;
  expect(await everybodyAnswered(5_000)).toBe(true);
});

test("what is open for live updates does not hold a stop up", async () => {
  let open: http.ServerResponse | undefined;
  answer = (response) => {
    response.setHeader("content-type", "text/event-stream");
    response.write("data: {}\n\n");
    open = response;
  };
  const live = await ask();
  expect(unanswered()).toBe(0);
  expect(await everybodyAnswered(2_000)).toBe(true);
  open!.end();
  await live.text();
});

test("while it stops it still answers, and says that it stops; then it takes nobody in any more", async () => {
  answer = (response) => response.end("here");
  const well = { query: () => Promise.resolve([]) } as unknown as Db;
  expect((await health(well)).problems).not.toContain("It is being stopped.");
  expect(isStopping()).toBe(false);
  announceStop();
  expect((await health(well)).problems).toContain("It is being stopped.");
  expect(await (await ask()).text()).toBe("here");
  closeDoors();
  await expect(ask()).rejects.toThrow();
});

test("for how long it goes on is a number of seconds, none unless it is said", () => {
  const asked = (seconds?: string) => drainSeconds({ NODE_ENV: "test", STOP_DRAIN_SECONDS: seconds });
  expect([asked(), asked(""), asked("5")]).toEqual([0, 0, 5]);
  for (const wrong of ["soon", "-1", "900"]) expect(() => asked(wrong)).toThrow(/must be a number up to 120/);
});
