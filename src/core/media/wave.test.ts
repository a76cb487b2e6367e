import { appendRecording, joined, loudness, resampled, SPEECH_RATE, waveFile } from "./wave";
import { mediaType } from "./sniff";

const tone = (seconds: number, height = 1) =>
  Float32Array.from(
    { length: seconds * SPEECH_RATE },
    (_, at) => height * Math.sin((2 * Math.PI * 440 * at) / SPEECH_RATE),
  );
const text = (file: Uint8Array, at: number) => String.fromCharCode(...file.subarray(at, at + 4));

test("a WAV file says what it holds: 16-bit PCM, one channel", () => {
  const file = waveFile(Float32Array.from([0, 1, -1, 2]));
  const view = new DataView(file.buffer);
  expect([text(file, 0), text(file, 8), text(file, 12), text(file, 36)]).toEqual(["RIFF", "WAVE", "fmt ", "data"]);
  expect(view.getUint32(4, true)).toBe(file.length - 8);
  expect([20, 22, 32, 34].map((at) => view.getUint16(at, true))).toEqual([1, 1, 2, 16]);
  expect([view.getUint32(24, true), view.getUint32(28, true)]).toEqual([16000, 32000]);
  expect(view.getUint32(40, true)).toBe(8);
  expect([44, 46, 48, 50].map((at) => view.getInt16(at, true))).toEqual([0, 32767, -32768, 32767]);
  expect(mediaType("sound", file)).toBe("audio/wav");
});

test("a recording is gone on with from any moment, to the sample", () => {
  const [old, more] = [tone(2), tone(1, 0.5)];
  const both = appendRecording(old, 1.5, more);
  expect(both).toHaveLength(2.5 * SPEECH_RATE);
  expect(both.subarray(0, 1.5 * SPEECH_RATE)).toEqual(old.subarray(0, 1.5 * SPEECH_RATE));
  expect(both.subarray(1.5 * SPEECH_RATE)).toEqual(more);
  expect(appendRecording(old, 99, more)).toHaveLength(3 * SPEECH_RATE);
  expect(appendRecording(old, -1, more)).toEqual(more);
});

test("what a microphone gave in pieces is one recording", () => {
  expect([...joined([Float32Array.of(1, 2), new Float32Array(0), Float32Array.of(3)])]).toEqual([1, 2, 3]);
});

test("at another rate it lasts as long and sounds as high", () => {
  const crossings = (samples: Float32Array) =>
    samples.filter((one, at) => at > 0 && samples[at - 1]! < 0 && one >= 0).length;
  const device = Float32Array.from({ length: 48_000 }, (_, at) => Math.sin((2 * Math.PI * 440 * at) / 48_000));
  const speech = resampled(device, 48_000, SPEECH_RATE);
  expect(speech).toHaveLength(SPEECH_RATE);
  expect(Math.abs(crossings(speech) - crossings(device))).toBeLessThanOrEqual(1);
});

test("silence is nothing, a full tone nearly everything, and half as high 6 dB less", () => {
  expect(loudness(new Float32Array(0))).toBe(0);
  expect(loudness(new Float32Array(100))).toBe(0);
  // A full sine wave has -3.01 dB: its mean power is a half.
  expect(loudness(tone(1))).toBeCloseTo(1 - 3.01 / 60, 3);
  expect(loudness(tone(1)) - loudness(tone(1, 0.5))).toBeCloseTo(6.02 / 60, 3);
});
