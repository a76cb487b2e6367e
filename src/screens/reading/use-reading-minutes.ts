"use client";
import { useEffect, useRef } from "react";
import { BEAT_SECONDS, IDLE_SECONDS } from "@/core/reading/minutes";

const SIGNS = ["pointerdown", "pointermove", "keydown", "scroll", "touchstart", "wheel"] as const;

/** Says every quarter of a minute that somebody reads, as long as the page is seen and somebody is there or is read to. */
export function useReadingMinutes(resource: number, step: string | undefined) {
  const at = useRef(step);
  useEffect(() => {
    at.current = step;
  }, [step]);
  useEffect(() => {
    let sign = Date.now();
    let said = Date.now();
    const there = () => {
      sign = Date.now();
    };
    const say = () => {
      const speaks = typeof speechSynthesis !== "undefined" && speechSynthesis.speaking;
      if (speaks) sign = Date.now();
      const idle = Date.now() - sign > IDLE_SECONDS * 1000;
      const seconds = Math.round((Date.now() - said) / 1000);
      said = Date.now();
      if (document.visibilityState !== "visible" || idle || at.current === undefined) return;
      const body = JSON.stringify({ step: at.current, seconds: Math.min(seconds, BEAT_SECONDS * 2) });
      // What cannot be sent is not counted: minutes are no reason to keep anybody waiting.
      void fetch(`/student/reading/${resource}/minutes`, {
        method: "POST",
        keepalive: true,
        headers: { "content-type": "application/json" },
        body,
      }).catch(() => undefined);
    };
    say();
    const beat = setInterval(say, BEAT_SECONDS * 1000);
    for (const name of SIGNS) window.addEventListener(name, there, { passive: true });
    return () => {
      say();
      clearInterval(beat);
      for (const name of SIGNS) window.removeEventListener(name, there);
    };
  }, [resource]);
}
