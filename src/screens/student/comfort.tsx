"use client";
import { clsx } from "clsx";
import { ALargeSmall } from "lucide-react";
import { createContext, useContext, useState, type CSSProperties, type ReactNode } from "react";
import { useTranslations } from "use-intl";
import { comfortStyle, plainComfort, type Comfort } from "@/core/student/comfort";
import { keepComfort } from "@/screens/acts/comfort";
import { LineRuler } from "./line-ruler";

const Chosen = createContext<{ comfort: Comfort; change: (more: Partial<Comfort>) => void; kept: boolean }>({
  comfort: plainComfort,
  change: () => undefined,
  kept: true,
});

/** Sets a child's pages as she likes to read them, and keeps what she changes. */
export function ComfortProvider({
  start,
  mayKeep,
  children,
}: {
  start: Comfort;
  /** False: nobody is there whose choice it would be. */
  mayKeep: boolean;
  children: ReactNode;
}) {
  const [comfort, setComfort] = useState(start);
  const [kept, setKept] = useState(true);
  const change = (more: Partial<Comfort>) => {
    const next = { ...comfort, ...more };
    setComfort(next);
    if (mayKeep) void keepComfort(next).then((outcome) => setKept(outcome.ok));
  };
  const { text, letters, words, lines } = comfortStyle(comfort);
  const style = { "--child-text": text, "--letters": letters, "--words": words, "--lines": lines } as CSSProperties;
  return (
    <Chosen value={{ comfort, change, kept }}>
      <div data-comfort={comfort.colours} style={style} className="min-h-dvh">
        {children}
        {comfort.ruler && <LineRuler />}
      </div>
    </Chosen>
  );
}

function Choice<Value extends string>({
  label,
  value,
  values,
  nameOf,
  onChange,
}: {
  label: string;
  value: Value;
  values: readonly Value[];
  nameOf: (value: Value) => string;
  onChange: (value: Value) => void;
}) {
  return (
    <fieldset className="grid gap-1.5">
      <legend className="mb-1 font-bold">{label}</legend>
      <div className="flex flex-wrap gap-2">
        {values.map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={one === value}
            onClick={() => onChange(one)}
            className={clsx(
              "min-h-12 rounded-card border-2 px-4",
              one === value ? "border-green bg-green font-bold text-on-green" : "border-line bg-card",
            )}
          >
            {nameOf(one)}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

/** The button to how it looks, and below the header what there is to choose. */
export function ComfortButton({ open, onOpen }: { open: boolean; onOpen: (open: boolean) => void }) {
  const t = useTranslations("comfort");
  return (
    <button
      type="button"
      aria-expanded={open}
      aria-label={t("open")}
      title={t("open")}
      onClick={() => onOpen(!open)}
      className={clsx(
        "grid h-12 w-12 shrink-0 place-items-center rounded-card border-2 bg-card",
        open ? "border-ink" : "border-line",
      )}
    >
      <ALargeSmall size={22} aria-hidden />
    </button>
  );
}

export function ComfortPanel({ onDone, children }: { onDone: () => void; children?: ReactNode }) {
  const t = useTranslations("comfort");
  const { comfort, change, kept } = useContext(Chosen);
  return (
    <section
      aria-label={t("open")}
      className="mt-3 grid grid-cols-1 gap-4 rounded-card border-2 border-ink bg-card p-4"
    >
      <Choice
        label={t("size")}
        value={comfort.size}
        values={["usual", "large", "larger", "largest"]}
        nameOf={(one) => t(`size_${one}`)}
        onChange={(size) => change({ size })}
      />
      <Choice
        label={t("spacing")}
        value={comfort.spacing}
        values={["usual", "wide", "wider"]}
        nameOf={(one) => t(`spacing_${one}`)}
        onChange={(spacing) => change({ spacing })}
      />
      <Choice
        label={t("colours")}
        value={comfort.colours}
        values={["usual", "calm", "sea"]}
        nameOf={(one) => t(`colour_${one}`)}
        onChange={(colours) => change({ colours })}
      />
      <label className="flex min-h-12 items-center gap-3">
        <input
          type="checkbox"
          checked={comfort.ruler}
          onChange={(event) => change({ ruler: event.target.checked })}
          className="h-6 w-6 accent-(--green)"
        />
        {t("ruler")}
      </label>
      {children}
      {!kept && <p role="status">{t("notKept")}</p>}
      <button
        type="button"
        onClick={onDone}
        className="min-h-12 justify-self-start rounded-card border-2 border-green px-6 font-bold text-green"
      >
        {t("close")}
      </button>
    </section>
  );
}
