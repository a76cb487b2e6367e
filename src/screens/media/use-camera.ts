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
  recorder: MediaRecorder;
  began: number;
}

const release = (media: MediaStream) => media.getTracks().forEach((track) => track.stop());

/**
 * The camera with its sound, for this many seconds at most. `onStopped` is given the film when it is stopped, when its time is over, when the camera goes, or
 * when the page is left.
 */
export function useCamera(onStopped: (film: Blob, seconds: number) => void) {
  const [stream, setStream] = useState<MediaStream | null>(null);
  const [asking, setAsking] = useState(false);
  const [seconds, setSeconds] = useState(0);
  const [problem, setProblem] = useState<CameraProblem | null>(null);
  const running = useRef<Running | null>(null);
  /** Whether the page is there, and whether the camera was asked for: pressed twice it is asked once. */
  const here = useRef(true);
  const asked = useRef(false);
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
  useEffect(() => {
    here.current = true;
    return () => {
      here.current = false;
      stop();
    };
  }, [stop]);
  useEffect(() => {
    if (!stream) return;
    const ticking = setInterval(() => {
      if (running.current) setSeconds((performance.now() - running.current.began) / 1000);
    }, 250);
    return () => clearInterval(ticking);
  }, [stream]);

  const film = useCallback(
    (media: MediaStream, form: string, longest: number) => {
      const recorder = new MediaRecorder(media, {
        ...{ mimeType: form, videoBitsPerSecond: BITS_A_SECOND, audioBitsPerSecond: SOUND_BITS_A_SECOND },
      });
      const parts: Blob[] = [];
      const began = performance.now();
      const end = setTimeout(stop, longest * 1000);
      recorder.ondataavailable = ({ data }) => parts.push(data);
      // Also when the camera was unplugged: what was filmed until then is kept.
      recorder.onstop = () => {
        clearTimeout(end);
        release(media);
        if (running.current?.recorder === recorder) stop();
        const lasted = Math.min(longest, (performance.now() - began) / 1000);
        stopped.current(new Blob(parts, { type: form.split(";")[0]! }), Math.round(lasted * 10) / 10);
      };
      recorder.start();
      running.current = { recorder, began };
      setSeconds(0);
      setStream(media);
    },
    [stop],
  );

  const start = useCallback(
    async (longest: number) => {
      setProblem(null);
      const form = "MediaRecorder" in window ? forms.find((one) => MediaRecorder.isTypeSupported(one)) : undefined;
      if (!window.isSecureContext || !("mediaDevices" in navigator) || !form) return setProblem("cannot");
      if (running.current || asked.current) return;
      asked.current = true;
      setAsking(true);
      let media: MediaStream | null = null;
      try {
        media = await navigator.mediaDevices.getUserMedia({
          video: { width: { ideal: 640 }, height: { ideal: 480 }, facingMode: "environment" },
          audio: { channelCount: 1, noiseSuppression: true },
        });
        // Left while the browser asked: nobody is filmed.
        if (here.current) film(media, form, longest);
        else release(media);
      } catch (error) {
        if (media) release(media);
        setProblem(refusals[(error as DOMException).name] ?? "notStarted");
      }
      asked.current = false;
      setAsking(false);
    },
    [film],
  );
  return { stream, asking, seconds, problem, start, stop };
}
