/** @jest-environment jsdom */
import { toBase64 } from "lib0/buffer";
import * as Y from "yjs";
import { newQuestion } from "@/core/question/new-question";
import { writeShared } from "@/core/together/shared-page";
import { PageSession } from "./page-session";

const question = { ...newQuestion("longText", "en", () => "w"), id: "w" };
const state = toBase64(Y.encodeStateAsUpdate(new Y.Doc()));
const settle = (ms = 0) => new Promise((done) => setTimeout(done, ms));

/** A server that has one page after another; what is sent is answered when the test says so. */
function server() {
  const sent: { page: number; answer: (status: number) => void }[] = [];
  const here = { page: 1, sent, slow: Promise.resolve() };
  globalThis.fetch = ((_address: string, how?: { method?: string; body?: string }) => {
    if (how?.method !== "POST") {
      const found = { id: here.page, state, open: true, questions: [question] };
      return here.slow.then(() => ({ ok: true, status: 200, json: () => Promise.resolve(found) }));
    }
    const { page } = JSON.parse(how.body!) as { page: number };
    return new Promise((resolve) =>
      sent.push({ page, answer: (status) => resolve({ ok: status < 300, status } as Response) }),
    );
  }) as typeof fetch;
  return here;
}
beforeEach(() => localStorage.clear());

async function opened() {
  const session = new PageSession({ assignment: 7, student: 3, step: "s", changed: () => undefined });
  await settle();
  return session;
}

test("what is typed says which page it was typed on; others' words about an earlier page are not put on this one", async () => {
  const here = server();
  const session = await opened();
  session.write(question, "Between us.");
  await settle(200);
  expect(here.sent.map(({ page }) => page)).toEqual([1]);
  const other = new Y.Doc();
  let change = "";
  other.on("update", (update: Uint8Array) => (change = toBase64(update)));
  writeShared(other, question, "Theirs.");
  session.heard({ page: 99, change });
  expect(session.values().w).toBe("Between us.");
  session.heard({ page: 1, change });
  expect(session.values().w).toContain("Theirs.");
  session.stop();
});

test("when another page is shared its own words are on it, and a late answer about the first takes nothing away", async () => {
  const here = server();
  const session = await opened();
  session.write(question, "Between us.");
  await settle(200);
  here.page = 2;
  await session.sync();
  expect(session.values().w ?? "").toBe("");
  session.write(question, "For all.");
  here.sent[0]!.answer(200);
  await settle(400);
  expect(here.sent.at(-1)).toMatchObject({ page: 2 });
  expect(session.values().w).toBe("For all.");
  session.stop();
});

test("an answer from before another page was shared that comes late does not bring the old page back", async () => {
  const here = server();
  const session = await opened();
  let arrive = () => {};
  here.slow = new Promise((done) => (arrive = done));
  const late = session.sync();
  here.slow = Promise.resolve();
  here.page = 2;
  await session.sync();
  session.write(question, "For all.");
  arrive();
  await late;
  expect(session.values().w).toBe("For all.");
  await settle(200);
  expect(here.sent.map(({ page }) => page)).toEqual([2]);
  session.stop();
});

describe("what was typed and did not arrive before the page was closed", () => {
  /** Closed while what was typed is on its way, without an answer. */
  async function closed(here: ReturnType<typeof server>) {
    const session = await opened();
    session.write(question, "Kelp holds.");
    await settle(200);
    session.stop();
    here.sent.length = 0;
  }

  test("is sent when the page is opened again, once, and stands on it", async () => {
    const here = server();
    await closed(here);
    const again = await opened();
    expect(here.sent.map(({ page }) => page)).toEqual([1]);
    here.sent[0]!.answer(200);
    await settle(20);
    expect(again.values().w).toBe("Kelp holds.");
    again.stop();
    here.sent.length = 0;
    const third = await opened();
    expect(here.sent).toEqual([]);
    third.stop();
  });

  test("goes to the page it was typed on, and on no other; where that is not hers any more it is over", async () => {
    const here = server();
    await closed(here);
    here.page = 2;
    const again = await opened();
    expect(here.sent.map(({ page }) => page)).toEqual([1]);
    here.sent[0]!.answer(404);
    await settle(20);
    expect(again.values().w ?? "").toBe("");
    expect(localStorage.length).toBe(0);
    again.stop();
  });

  test.each([409, 401, 500, 429])(
    "stays on the device while the answer is %s, whatever is typed meanwhile",
    async (status) => {
      const here = server();
      await closed(here);
      const again = await opened();
      here.sent[0]!.answer(status);
      again.write(question, "And more.");
      await settle(200);
      here.sent[1]!.answer(200);
      await settle(20);
      expect(localStorage.length).toBe(1);
      again.stop();
      here.sent.length = 0;
      const third = await opened();
      here.sent[0]!.answer(200);
      await settle(20);
      expect(third.values().w).toBe("Kelp holds.");
      expect(localStorage.length).toBe(0);
      third.stop();
    },
  );

  test("is not another child’s who uses the same device", async () => {
    const here = server();
    await closed(here);
    const other = new PageSession({ assignment: 7, student: 4, step: "s", changed: () => undefined });
    await settle();
    expect(here.sent).toEqual([]);
    other.stop();
  });
});
