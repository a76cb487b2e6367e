"use client";
import { useCallback, useEffect, useRef, useState, useSyncExternalStore, type RefObject } from "react";
import { voiceFor } from "@/core/student/read-aloud";
import type { Said } from "@/core/question/kind";
import { followRecording } from "./follow-recording";
import { saidMarker } from "./mark-said";
import { mediaAddress } from "./media";

const none: readonly SpeechSynthesisVoice[] = [];
let known: readonly SpeechSynthesisVoice[] = none;
const speech = () => (typeof window !== "undefined" && "speechSynthesis" in window ? window.speechSynthesis : null);

/** The list is the same object as long as the voices are the same ones. */
function voicesNow(): readonly SpeechSynthesisVoice[] {
  const now = speech()?.getVoices() ?? none;
  if (now.length !== known.length || now.some((voice, at) => voice !== known[at])) known = [...now];
  return known;
}

/**
 * Says things one after the other with the device's voice of a language; recordings are played in between. What is said is
 * marked word by word `within` an element.
 */
export function useReading(language: string, within?: RefObject<HTMLElement | null>) {
  const voices = useSyncExternalStore(
    (changed) => {
      speech()?.addEventListener("voiceschanged", changed);
      return () => speech()?.removeEventListener("voiceschanged", changed);
    },
    voicesNow,
    () => none,
  );
  const voice = voiceFor(voices, language);
  const [speaking, setSpeaking] = useState(false);
  const stopNow = useRef<() => void>(() => undefined);
  const stop = useCallback(() => {
    stopNow.current();
    setSpeaking(false);
  }, []);
  useEffect(() => () => stopNow.current(), []);

  const say = (all: readonly Said[]) => {
    stop();
    const marker = saidMarker(within?.current ?? null);
    let going = true;
    let end: (() => void) | null = null;
    stopNow.current = () => {
      going = false;
      end?.();
      marker.clear();
      speech()?.cancel();
    };
    setSpeaking(true);
    const next = (at: number): void => {
      const said = all[at];
      marker.clear();
      if (!going) return;
      end?.();
      end = null;
      if (!said) return setSpeaking(false);
      const on = () => next(at + 1);
      if ("pause" in said) {
        const timer = setTimeout(on, said.pause);
        end = () => clearTimeout(timer);
      } else if ("recording" in said) {
        const sound = new Audio(mediaAddress(said.recording));
        sound.addEventListener("ended", on, { once: true });
        sound.addEventListener("error", on, { once: true });
        void sound.play().catch(on);
        const unmark = followRecording(sound, said.lines, within?.current ?? null);
        end = () => {
          sound.pause();
          unmark();
        };
      } else if (!voice) on();
      else {
        const words = new SpeechSynthesisUtterance(said.text);
        words.voice = voice;
        words.lang = voice.lang;
        words.onboundary = ({ name, charIndex }) => {
          if (going && (name === "word" || !name)) marker.at(said.text, charIndex);
        };
        words.onend = on;
        // One that cannot be said does not keep back the rest.
        words.onerror = on;
        end = () => {
          words.onend = null;
          words.onerror = null;
        };
        speech()!.speak(words);
      }
    };
    next(0);
  };
  return { say, stop, speaking, hasVoice: voice !== undefined };
}
