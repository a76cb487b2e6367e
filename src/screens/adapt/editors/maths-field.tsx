"use client";
import { MathfieldElement } from "mathlive";
import { useEffect, useRef } from "react";

// Its letters are those maths is shown with, and they are there already; it makes no noise.
MathfieldElement.fontsDirectory = null;
MathfieldElement.soundsDirectory = null;

/** Maths written as it looks. Hands on TeX and the words to say it with. */
export function MathsField({ value, onTex }: { value: string; onTex: (tex: string, spoken: string) => void }) {
  const place = useRef<HTMLDivElement>(null);
  const field = useRef<MathfieldElement>(null);
  const written = useRef(onTex);
  useEffect(() => {
    written.current = onTex;
  });
  useEffect(() => {
    const made = new MathfieldElement();
    made.setAttribute("aria-label", "Maths");
    made.mathVirtualKeyboardPolicy = "manual";
    made.addEventListener("input", () => written.current(made.value, made.getValue("spoken-text")));
    place.current?.append(made);
    field.current = made;
    return () => made.remove();
  }, []);
  useEffect(() => {
    if (field.current && field.current.value !== value) field.current.setValue(value, { silenceNotifications: true });
  }, [value]);
  return <div ref={place} className="rounded-card border border-line-strong bg-card p-1 text-[20px]" />;
}
