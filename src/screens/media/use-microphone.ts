"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { joined, loudness, resampled, SPEECH_RATE } from "@/core/media/wave";

export type MicrophoneState = "resting" | "asking" | "listening";

/** What keeps somebody from recording here, in words; null when nothing does. */
export function noMicrophone(): string | null {
  if (!window.isSecureContext) return "Recording works only over a secure address (https). A file can be sent instead.";
  if (!("mediaDevices" in navigator) || !("AudioWorkletNode" in window))
    return "This browser cannot record. A file can be sent instead.";
  return null;
}

function formatRefused(error: unknown): string {
  const name = (error as DOMException).name;
  if (name === "NotAllowedError")
    return "The browser was not allowed to use the microphone. Allow it beside the address, then try again.";
  if (name === "NotFoundError") return "No microphone was found. Nothing was changed.";
  return "The microphone could not be started. Nothing was changed.";
}

interface Running {
  context: AudioContext;
  stream: MediaStream;
  worklet: AudioWorkletNode;
  parts: Float32Array[];
}

/**
 * The microphone as numbers, 16,000 a second. `onStopped` is given what was recorded when it is stopped, or when the
 * seconds it was started for are full.
 */
export function useMicrophone(onStopped: (samples: Float32Array) => void) {
  const [state, setState] = useState<MicrophoneState>("resting");
  const [level, setLevel] = useState(0);
  const [seconds, setSeconds] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  const running = useRef<Running | null>(null);
  /** Whether the page is there, and whether the microphone was asked for: pressed twice it is asked once. */
  const here = useRef(true);
  const asked = useRef(false);
  const stopped = useRef(onStopped);
  useEffect(() => {
    stopped.current = onStopped;
  });

  const release = useCallback(() => {
    const was = running.current;
    running.current = null;
    if (!was) return null;
    was.stream.getTracks().forEach((track) => track.stop());
    void was.context.close();
    return was;
  }, []);
  const finish = useCallback(() => {
    const was = release();
    setState("resting");
    setLevel(0);
    if (was) stopped.current(resampled(joined(was.parts), was.context.sampleRate, SPEECH_RATE));
  }, [release]);

  // Going elsewhere lets go of the microphone; what was said until then is kept like after Stop.
  useEffect(() => {
    here.current = true;
    return () => {
      here.current = false;
      if (running.current) finish();
    };
  }, [finish]);

  const start = useCallback(
    async (longest: number) => {
      const missing = noMicrophone();
      setProblem(missing);
      if (missing || running.current || asked.current) return;
      asked.current = true;
      setState("asking");
      try {
        const stream = await navigator.mediaDevices.getUserMedia({
          audio: { channelCount: 1, noiseSuppression: true },
        });
        const context = new AudioContext();
        await context.audioWorklet.addModule("/microphone.js");
        const worklet = new AudioWorkletNode(context, "microphone", { numberOfOutputs: 0 });
        const parts: Float32Array[] = [];
        let length = 0;
        worklet.port.onmessage = ({ data }: MessageEvent<Float32Array | "end">) => {
          if (data === "end") return finish();
          parts.push(data);
          length += data.length;
          setLevel(loudness(data));
          setSeconds(length / context.sampleRate);
          if (length >= longest * context.sampleRate) finish();
        };
        context.createMediaStreamSource(stream).connect(worklet);
        running.current = { context, stream, worklet, parts };
        setSeconds(0);
        setState("listening");
        // Left while the browser asked.
        if (!here.current) release();
      } catch (error) {
        setState("resting");
        setProblem(formatRefused(error));
      }
      asked.current = false;
    },
    [finish, release],
  );

  /** The last tenth of a second is still on its way when it is stopped: the microphone says when that was all. */
  const stop = useCallback(() => running.current?.worklet.port.postMessage("end"), []);
  return { state, level, seconds, problem, start, stop };
}

/** A stored sound as numbers at the rate of recordings, whatever form it is in. @throws when it cannot be played here */
export async function readSound(address: string): Promise<Float32Array> {
  const response = await fetch(address);
  const context = new OfflineAudioContext(1, 1, SPEECH_RATE);
  const sound = await context.decodeAudioData(await response.arrayBuffer());
  const channels = Array.from({ length: sound.numberOfChannels }, (_, at) => sound.getChannelData(at));
  const mixed = Float32Array.from(
    { length: sound.length },
    (_, at) => channels.reduce((sum, one) => sum + one[at]!, 0) / channels.length,
  );
  return resampled(mixed, sound.sampleRate, SPEECH_RATE);
}
