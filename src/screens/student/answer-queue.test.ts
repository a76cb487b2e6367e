import { AnswerQueue, waitingPlaces, type AnswerPlace } from "./answer-queue";

const place: AnswerPlace = { student: 7, assignment: 12, recipient: 31, number: 1 };

/** A device: its storage, its clock, and a network that answers as it is told. */
const kept = new Map<string, string>();
let answers: (() => Promise<Response>)[] = [];
const bodies: { recipient: number; items: { key: string; question: string; value: unknown; age: number }[] }[] = [];
beforeEach(() => {
  kept.clear();
  answers = [];
  bodies.length = 0;
  const storage = {
    getItem: (name: string) => kept.get(name) ?? null,
    setItem: (name: string, value: string) => void kept.set(name, value),
    removeItem: (name: string) => void kept.delete(name),
  };
  Object.defineProperty(globalThis, "localStorage", {
    configurable: true,
    value: new Proxy(storage, {
      ownKeys: () => [...kept.keys()],
      getOwnPropertyDescriptor: () => ({ configurable: true, enumerable: true }),
    }),
  });
  globalThis.fetch = jest.fn(async (_to, init) => {
    bodies.push(JSON.parse(String(init?.body)));
    const answer = answers.shift();
    if (!answer) throw new TypeError("no network");
    return answer();
  }) as never;
});

const keptAll = async () => {
  const keys = bodies.at(-1)!.items.map(({ key }) => key);
  return Response.json({ kept: keys, refused: [], late: false, newer: {} });
};

test("an answer is on the device before it is sent, and leaves it when the server has it", async () => {
  const queue = new AnswerQueue(place);
  queue.add("q1", "high");
  expect(new AnswerQueue(place).items).toMatchObject([{ question: "q1", value: "high" }]);
  expect(await queue.send()).toMatchObject({ state: "waiting" });
  answers = [keptAll];
  expect(await queue.send()).toMatchObject({ state: "kept" });
  expect(kept.size).toBe(0);
});

test("one that is changed while the one before is on its way is not taken for kept", async () => {
  const queue = new AnswerQueue(place);
  queue.add("q1", "first");
  answers = [
    async () => {
      const answer = await keptAll();
      queue.add("q1", "second");
      return answer;
    },
    keptAll,
  ];
  expect(await queue.send()).toMatchObject({ state: "waiting" });
  expect(queue.items).toMatchObject([{ value: "second" }]);
  await queue.send();
  expect(bodies.map(({ items }) => items.map(({ value }) => value))).toEqual([["first"], ["second"]]);
});

test("what left before goes along, so that a slow way makes no answer younger than the next", async () => {
  const queue = new AnswerQueue(place);
  const first = queue.add("q1", "first");
  await queue.send();
  const second = queue.add("q1", "second");
  queue.add("q2", "other");
  answers = [keptAll];
  await queue.send();
  expect(bodies[1]!.items).toMatchObject([
    { key: second.key, after: [first.key] },
    { question: "q2", after: [] },
  ]);
});

test("how old an answer is goes along, and not when it was written", async () => {
  const clock = jest.spyOn(Date, "now").mockReturnValue(1_000_000);
  const queue = new AnswerQueue(place);
  queue.add("q1", "a");
  clock.mockReturnValue(1_090_000);
  answers = [keptAll];
  await queue.send();
  clock.mockRestore();
  expect(bodies[0]).toMatchObject({ recipient: 31, items: [{ age: 90_000 }] });
});

test.each([
  ["signed out", 401, {}],
  ["called back", 404, {}],
  ["handed in", 409, { why: "handed in" }],
  ["not open", 409, { why: "not open" }],
])("%s: it is said, and what was written stays on the device", async (state, status, said) => {
  const queue = new AnswerQueue(place);
  queue.add("q1", "a whole story");
  answers = [async () => Response.json(said, { status })];
  expect(await queue.send()).toEqual({ state, newer: {} });
  expect(new AnswerQueue(place).items).toMatchObject([{ value: "a whole story" }]);
});

test("after it closed it is kept aside; a server that is ill is tried again", async () => {
  const queue = new AnswerQueue(place);
  queue.add("q1", "a");
  answers = [async () => Response.json({ problem: "x" }, { status: 500 })];
  expect(await queue.send()).toMatchObject({ state: "waiting" });
  answers = [async () => Response.json({ ...(await (await keptAll()).json()), late: true })];
  expect(await queue.send()).toMatchObject({ state: "kept aside" });
});

test("what was written later elsewhere comes back, but not over what is being written here", async () => {
  const queue = new AnswerQueue(place);
  queue.add("q1", "old");
  queue.add("q2", "old");
  answers = [
    async () => {
      const answer = (await (await keptAll()).json()) as object;
      queue.add("q2", "just now");
      return Response.json({ ...answer, newer: { q1: "from the laptop", q2: "from the laptop" } });
    },
  ];
  expect(await queue.send()).toMatchObject({ newer: { q1: "from the laptop" } });
});

test("signs that cannot be kept are taken out as they are written", () => {
  expect(new AnswerQueue(place).add("q1", "a\0b").value).toBe("ab");
});

test("every place of a student where something waits is found, and none of another student's", () => {
  new AnswerQueue(place).add("q1", "a");
  new AnswerQueue({ ...place, assignment: 99, recipient: 44, number: 2 }).add("q1", "b");
  new AnswerQueue({ ...place, student: 71 }).add("q1", "c");
  expect(waitingPlaces(7)).toEqual([place, { student: 7, assignment: 99, recipient: 44, number: 2 }]);
});
