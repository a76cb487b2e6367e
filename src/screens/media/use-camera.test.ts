/** @jest-environment jsdom */
import { act, renderHook } from "@testing-library/react";
import { useCamera } from "./use-camera";

/** A browser with a camera: it is asked for, and comes when the test says so. */
const asked: { allow: () => Promise<void>; refuse: (name: string) => Promise<void>; tracks: { on: boolean }[] }[] = [];
class Recorder {
  static isTypeSupported = () => true;
  state = "inactive";
  ondataavailable: (event: { data: Blob }) => void = () => undefined;
  onstop: () => void = () => undefined;
  constructor(readonly stream: { ends: () => void }) {
    // The recorder ends when the camera does, as browsers do it.
    stream.ends = () => this.stop();
  }
  start() {
    this.state = "recording";
  }
  stop() {
    if (this.state === "inactive") return;
    this.state = "inactive";
    this.ondataavailable({ data: new Blob(["film"]) });
    this.onstop();
  }
}
let unplug = () => {};

beforeEach(() => {
  jest.useFakeTimers();
  asked.length = 0;
  const getUserMedia = () =>
    new Promise((resolve, reject) => {
      const tracks = [{ on: true }, { on: true }];
      const stream = {
        ends: () => {},
        getTracks: () => tracks.map((track) => ({ stop: () => (track.on = false) })),
      };
      unplug = () => stream.ends();
      asked.push({
        tracks,
        allow: () => act(async () => resolve(stream)),
        refuse: (name) => act(async () => reject(Object.assign(new Error("no"), { name }))),
      });
    });
  Object.defineProperty(navigator, "mediaDevices", { configurable: true, value: { getUserMedia } });
  Object.assign(window, { isSecureContext: true, MediaRecorder: Recorder });
});
afterEach(() => jest.useRealTimers());

function opened() {
  const films: number[] = [];
  const hook = renderHook(() => useCamera((_film, seconds) => films.push(seconds)));
  return { ...hook, films, press: () => act(() => void hook.result.current.start(5)) };
}
const later = (ms: number) => act(async () => void (await jest.advanceTimersByTimeAsync(ms)));

test("pressed twice, the camera is asked for once; stopped, the film is there and the camera is off", async () => {
  const { result, films, press } = opened();
  press();
  press();
  expect(asked).toHaveLength(1);
  await asked[0]!.allow();
  expect(result.current.stream).not.toBeNull();
  await later(2000);
  expect(result.current.seconds).toBeGreaterThan(1);
  act(() => result.current.stop());
  act(() => result.current.stop());
  expect(films).toEqual([2]);
  expect([result.current.stream, asked[0]!.tracks.some(({ on }) => on)]).toEqual([null, false]);
});

test("it ends by itself when its time is over", async () => {
  const { films, press, result } = opened();
  press();
  await asked[0]!.allow();
  await later(60_000);
  expect(films).toEqual([5]);
  expect(result.current.stream).toBeNull();
});

test("left while the browser still asks, nobody is filmed and the camera is off", async () => {
  const { films, press, unmount } = opened();
  press();
  unmount();
  await asked[0]!.allow();
  await later(10_000);
  expect([films, asked[0]!.tracks.some(({ on }) => on)]).toEqual([[], false]);
});

test("left while it films, what was filmed until then is kept", async () => {
  const { films, press, unmount } = opened();
  press();
  await asked[0]!.allow();
  await later(3000);
  unmount();
  expect(films).toEqual([3]);
});

test("a camera that is unplugged ends the film, and it can be filmed again", async () => {
  const { result, films, press } = opened();
  press();
  await asked[0]!.allow();
  await later(1000);
  act(() => unplug());
  expect([films, result.current.stream]).toEqual([[1], null]);
  press();
  expect(asked).toHaveLength(2);
});

test.each([
  ["NotAllowedError", "notAllowed"],
  ["NotFoundError", "noCamera"],
  ["NotReadableError", "notStarted"],
])("%s is said as what can be done about it, and can be tried again", async (name, problem) => {
  const { result, press } = opened();
  press();
  await asked[0]!.refuse(name);
  expect([result.current.problem, result.current.asking]).toEqual([problem, false]);
  press();
  expect(asked).toHaveLength(2);
});
