"use client";
import { useEffect, useState } from "react";

/** The time on the server's clock, new every so often; null before the page is alive. Milliseconds since 1970. */
export function useClock(ahead: number, every = 1000): number | null {
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    const tick = () => setNow(Date.now() + ahead);
    const timer = setInterval(tick, every);
    const first = setTimeout(tick, 0);
    return () => {
      clearInterval(timer);
      clearTimeout(first);
    };
  }, [ahead, every]);
  return now;
}

/** "1:48" of seconds. */
export const formatSeconds = (seconds: number): string => {
  const whole = Math.max(0, Math.ceil(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
};
