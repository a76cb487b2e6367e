"use client";
import { GripHorizontal } from "lucide-react";
import { useEffect, useState, type KeyboardEvent } from "react";
import { useTranslations } from "use-intl";

const STEP_PIXELS = 12;
const OPEN_SHARE = 0.14;

/** Shades all but a few lines. It follows the pointer, a finger on its handle, or the arrow keys. */
export function LineRuler() {
  const t = useTranslations("comfort");
  const [at, setAt] = useState(0.4);
  const put = (share: number) => setAt(Math.min(0.95, Math.max(0.05, share)));
  useEffect(() => {
    const follow = (event: PointerEvent) => {
      // A finger that scrolls is not pointing at a line; its handle moves it.
      if (event.pointerType === "mouse") put(event.clientY / window.innerHeight);
    };
    window.addEventListener("pointermove", follow);
    return () => window.removeEventListener("pointermove", follow);
  }, []);
  const keys = (event: KeyboardEvent) => {
    const by = event.key === "ArrowUp" ? -STEP_PIXELS : event.key === "ArrowDown" ? STEP_PIXELS : 0;
    if (by === 0) return;
    event.preventDefault();
    put(at + by / window.innerHeight);
  };
  const [from, to] = [Math.max(0, at - OPEN_SHARE / 2), Math.min(1, at + OPEN_SHARE / 2)];
  const shade = "pointer-events-none fixed inset-x-0 z-30 bg-[rgb(20_20_20/0.42)]";
  return (
    <>
      <div aria-hidden className={shade} style={{ top: 0, height: `${from * 100}vh` }} />
      <div aria-hidden className={shade} style={{ top: `${to * 100}vh`, bottom: 0 }} />
      <div
        role="slider"
        tabIndex={0}
        aria-label={t("rulerMove")}
        aria-orientation="vertical"
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={Math.round(at * 100)}
        onKeyDown={keys}
        onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
        onPointerMove={(event) =>
          event.currentTarget.hasPointerCapture(event.pointerId) && put(event.clientY / window.innerHeight)
        }
        className="fixed right-2 z-40 grid h-12 w-12 -translate-y-1/2 cursor-ns-resize touch-none place-items-center rounded-card border-2 border-ink bg-card"
        style={{ top: `${at * 100}vh` }}
      >
        <GripHorizontal size={20} aria-hidden />
      </div>
    </>
  );
}
