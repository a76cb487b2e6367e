/** @jest-environment jsdom */
import { webcrypto } from "node:crypto";
import { AnswerQueue } from "../student/answer-queue";
import { sendFile } from "../media/send-file";
import { sendKeptFiles } from "./kept-files";

/** What reached the server, in order; while `network` is false nothing does. */
let reached: string[] = [];
let network = false;
const stored = new Map<string, unknown>();
let room = true;

class FakeRequest extends EventTarget {
  upload = new EventTarget();
  responseText = '{"media":"m"}';
  private address = "";
  open(_method: string, address: string) {
    this.address = address;
  }
  send() {
    if (network) reached.push(this.address);
    setTimeout(() => this.dispatchEvent(new Event(network ? "load" : "error")));
  }
}

beforeEach(() => {
  [reached, network, room] = [[], false, true];
  stored.clear();
  localStorage.clear();
  const cache = {
    put: async (name: string, value: { blob: () => Promise<Blob> }) => {
      if (!room) throw new DOMException("full", "QuotaExceededError");
      stored.set(name, value);
    },
    match: async (name: string) => stored.get(name),
    delete: async (name: string) => stored.delete(name),
  };
  Object.assign(globalThis, {
    caches: { open: async () => cache },
    XMLHttpRequest: FakeRequest,
    Response: class {
      constructor(private readonly body: Blob) {}
      blob = async () => this.body;
    },
    fetch: async (address: string, { body }: { body: string }) => {
      if (!network) throw new TypeError("no network");
      reached.push(address);
      const { items } = JSON.parse(body) as { items: { key: string }[] };
      const kept = items.map(({ key }) => key);
      return { ok: true, status: 200, json: async () => ({ kept, refused: [], late: false, newer: {} }) };
    },
  });
  Object.defineProperty(globalThis, "crypto", { configurable: true, value: webcrypto });
});

const fileOf = (text: string) => {
  const bytes = Uint8Array.from(text, (letter) => letter.charCodeAt(0));
  return Object.assign(new Blob([bytes]), { arrayBuffer: async () => bytes });
};
const sound = () => fileOf("OggS");
/** The SHA-256 of "OggS", by coreutils' sha256sum. */
const name = "68d9ed2adb24458ff173db06b41b9d1b6e228764c457030d63fad11b02bfae1e";

test("a recording made without a network has the name the server will give it, and is sent before the answer", async () => {
  expect(await sendFile(sound(), "sound", "/student/12/file")).toEqual({ media: name });
  const queue = new AnswerQueue({ student: 7, assignment: 12, recipient: 31, number: 1 });
  queue.add("q1", { media: name, seconds: 2 });
  expect((await queue.send()).state).toBe("waiting");
  expect(reached).toEqual([]);
  network = true;
  expect((await queue.send()).state).toBe("kept");
  expect(reached).toEqual(["/student/12/file?kind=sound", "/student/12/responses"]);
  expect(stored.size).toBe(0);
});

test("the same file for two pieces of work is sent to both, and only then leaves the device", async () => {
  await sendFile(sound(), "sound", "/student/12/file");
  await sendFile(sound(), "sound", "/student/13/file");
  network = true;
  expect(await sendKeptFiles()).toBe(true);
  expect(reached).toEqual(["/student/12/file?kind=sound", "/student/13/file?kind=sound"]);
  expect(stored.size).toBe(0);
});

test("a file that only says it is a sound is not kept to be refused later", async () => {
  expect(await sendFile(fileOf("abc"), "sound", "/student/12/file")).toMatchObject({ offline: true });
  expect(stored.size).toBe(0);
});

test("without room, and for teachers, it is said that the file was not sent", async () => {
  room = false;
  expect(await sendFile(sound(), "sound", "/student/12/file")).toMatchObject({ offline: true });
  room = true;
  expect(await sendFile(sound(), "sound", "/media")).toMatchObject({ offline: true });
  expect(stored.size).toBe(0);
});
