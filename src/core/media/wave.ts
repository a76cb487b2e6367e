/**
 * Sound as numbers between -1 and 1, one channel, and as a WAV file of 16-bit PCM ("Multimedia Programming Interface and
 * Data Specifications 1.0", IBM and Microsoft 1991). Recordings are cut and joined as numbers: exact to the sample.
 */

/** Samples a second of what is recorded here: enough for speech (wideband telephony, ITU-T G.722). */
export const SPEECH_RATE = 16_000;

const HEADER_BYTES = 44;

/** Samples outside -1 to 1 are cut off there. `waveFile(new Float32Array(10)).length` gives `64`. */
export function waveFile(samples: Float32Array, rate = SPEECH_RATE): Uint8Array<ArrayBuffer> {
  const file = new DataView(new ArrayBuffer(HEADER_BYTES + samples.length * 2));
  const word = (at: number, text: string) =>
    [...text].forEach((letter, nth) => file.setUint8(at + nth, letter.charCodeAt(0)));
  word(0, "RIFF");
  file.setUint32(4, file.byteLength - 8, true);
  word(8, "WAVEfmt ");
  file.setUint32(16, 16, true);
  file.setUint16(20, 1, true);
  file.setUint16(22, 1, true);
  file.setUint32(24, rate, true);
  file.setUint32(28, rate * 2, true);
  file.setUint16(32, 2, true);
  file.setUint16(34, 16, true);
  word(36, "data");
  file.setUint32(40, samples.length * 2, true);
  samples.forEach((sample, at) => {
    const cut = Math.max(-1, Math.min(1, sample));
    file.setInt16(HEADER_BYTES + at * 2, Math.round(cut < 0 ? cut * 32768 : cut * 32767), true);
  });
  return new Uint8Array(file.buffer);
}

/** At another rate, each new sample between its two neighbours. `[...resampled(Float32Array.of(0, 1), 1, 2)]` gives `[0, 0.5, 1, 1]`. */
export function resampled(samples: Float32Array, from: number, to: number): Float32Array<ArrayBuffer> {
  if (from === to) return Float32Array.from(samples);
  const length = Math.floor((samples.length * to) / from);
  return Float32Array.from({ length }, (_, at) => {
    const place = (at * from) / to;
    const before = Math.floor(place);
    const [one, other] = [samples[before] ?? 0, samples[before + 1] ?? samples[before] ?? 0];
    return one + (other - one) * (place - before);
  });
}

/**
 * What was there up to a moment, and then the new: how a recording is gone on with.
 * `[...appendRecording(Float32Array.of(1, 2, 3), 1, Float32Array.of(9), 2)]` gives `[1, 2, 9]`.
 */
export function appendRecording(
  old: Float32Array,
  seconds: number,
  more: Float32Array,
  rate = SPEECH_RATE,
): Float32Array {
  const kept = old.subarray(0, Math.max(0, Math.min(old.length, Math.round(seconds * rate))));
  const joined = new Float32Array(kept.length + more.length);
  joined.set(kept);
  joined.set(more, kept.length);
  return joined;
}

/** Samples one after another. `[...joined([Float32Array.of(1), Float32Array.of(2, 3)])]` gives `[1, 2, 3]`. */
export function joined(parts: readonly Float32Array[]): Float32Array<ArrayBuffer> {
  const all = new Float32Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
}

/**
 * How loud, 0 to 1, on the scale ears have: -60 dB and less is 0, full scale is 1.
 * `loudness(new Float32Array([1, -1, 1, -1]))` gives `1`.
 */
export function loudness(samples: Float32Array): number {
  if (samples.length === 0) return 0;
  const power = samples.reduce((sum, sample) => sum + sample * sample, 0) / samples.length;
  const decibels = 10 * Math.log10(power || 1e-12);
  return Math.max(0, Math.min(1, 1 + decibels / 60));
}
