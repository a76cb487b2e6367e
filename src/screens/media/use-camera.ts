"use client";
import { useCallback, useEffect, useRef, useState } from "react";

/** Why nothing is filmed, as the words for it are called. */
export type CameraProblem = "notAllowed" | "noCamera" | "cannot" | "notStarted";

/** What browsers record: the first this one can. */
const forms = ["video/webm;codecs=vp8,opus", "video/webm", "video/mp4"];
/** About eight megabytes a minute, picture and sound. */
const BITS_A_SECOND = 1_000_000;
const SOUND_BITS_A_SECOND = 64_000;

const refusals: Readonly<Record<string, CameraProblem>> = { NotAllowedError: "notAllowed", NotFoundError: "noCamera" };

interface Running {
  stream: MediaStream;
  recorder: MediaRecorder;
  began: number;
}

/**
 * The camera with its sound, for so many seconds at most. `onStopped` is given the film when it is stopped, when its time is over, or when the page is
 * left.
 */
export function useCamera(onStopped: (film: Blob, seconds: number) => void) {
  const [stream, setStream] = useState<MediaStream | null>(null);
  const [asking, setAsking] = useState(false);
  const [seconds, setSeconds] = useState(0);
  const [problem, setProblem] = useState<CameraProblem | null>(null);
  const running = useRef<Running | null>(null);
  const stopped = useRef(onStopped);
  useEffect(() => {
    stopped.current = onStopped;
  });

  const stop = useCallback(() => {
    const was = running.current;
    running.current = null;
    setStream(null);
    // What is filmed comes with its end.
    if (was?.recorder.state === "recording") was.recorder.stop();
  }, []);
  useEffect(() => stop, [stop]);
  useEffect(() => {
    if (!stream) return;
    const ticking = setInterval(() => {
      if (running.current) setSeconds((performance.now() - running.current.began) / 1000);
    }, 250);
    return () => clearInterval(ticking);
  }, [stream]);

  const start = useCallback(
    async (longest: number) => {
      setProblem(null);
      const form = "MediaRecorder" in window ? forms.find((one) => MediaRecorder.isTypeSupported(one)) : undefined;
      if (!window.isSecureContext || !("mediaDevices" in navigator) || !form) return setProblem("cannot");
      if (running.current) return;
      setAsking(true);
      try {
        const media = await navigator.mediaDevices.getUserMedia({
          video: { width: { ideal: 640 }, height: { ideal: 480 }, facingMode: "environment" },
          audio: { channelCount: 1, noiseSuppression: true },
        });
        const recorder = new MediaRecorder(media, {
          ...{ mimeType: form, videoBitsPerSecond: BITS_A_SECOND, audioBitsPerSecond: SOUND_BITS_A_SECOND },
        });
        const parts: Blob[] = [];
        const began = performance.now();
        recorder.ondataavailable = ({ data }) => parts.push(data);
        recorder.onstop = () => {
          media.getTracks().forEach((track) => track.stop());
          const lasted = Math.min(longest, (performance.now() - began) / 1000);
          stopped.current(new Blob(parts, { type: form.split(";")[0]! }), Math.round(lasted * 10) / 10);
        };
        running.current = { stream: media, recorder, began };
        recorder.start();
        setSeconds(0);
        setStream(media);
        setTimeout(() => running.current?.recorder === recorder && stop(), longest * 1000);
      } catch (error) {
        setProblem(refusals[(error as DOMException).name] ?? "notStarted");
      }
      setAsking(false);
    },
    [stop],
  );
  return { stream, asking, seconds, problem, start, stop };
}
