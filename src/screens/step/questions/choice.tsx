"use client";
import { clsx } from "clsx";
import { Check } from "lucide-react";
import { inLanguage } from "@/core/content/language";
import type { Option } from "@/core/question/question";
import { mediaAddress } from "../media";
import { useTranslations } from "use-intl";
import { partLook, target, type QuestionProps } from "./props";

function Mark({ on, round }: { on: boolean; round: boolean }) {
  return (
    <span
      className={clsx(
        "grid h-6 w-6 shrink-0 place-items-center border-2",
        round ? "rounded-full" : "rounded",
        on ? "border-green bg-green text-on-green" : "border-line-strong",
      )}
      aria-hidden
    >
      {on && <Check size={15} strokeWidth={3} />}
    </span>
  );
}

/** What there is to choose: words, or a picture with its words under it. */
export function OptionFace({ option, languages }: { option: Option; languages: readonly string[] }) {
  const text = inLanguage(option.text, languages);
  if (!option.picture) return <span>{text}</span>;
  return (
    <span className="grid gap-1">
      {/* eslint-disable-next-line @next/next/no-img-element -- stored files are served as they are */}
      <img
        src={mediaAddress(option.picture)}
        alt=""
        className="max-h-40 max-w-full rounded-[4px] bg-white object-contain"
      />
      <span>{text}</span>
    </span>
  );
}

/** The frame of something to choose: all of it can be pressed. */
export const label = (on: boolean, part: boolean | undefined) =>
  clsx(
    target,
    "flex items-center gap-3 py-2 has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-offset-2 has-[:focus-visible]:outline-green",
    part !== undefined ? partLook(part) : on ? "border-green bg-green-wash" : "border-line hover:border-line-strong",
  );

export function ChoiceView({ question, value, onChange, readOnly, languages, labelledBy }: QuestionProps<"choice">) {
  return (
    <div role="radiogroup" aria-labelledby={labelledBy} className="grid gap-2">
      {question.options.map((option) => (
        <label key={option.id} className={label(value === option.id, undefined)}>
          <input
            type="radio"
            className="heard"
            name={question.id}
            disabled={readOnly}
            checked={value === option.id}
            onChange={() => onChange(option.id)}
          />
          <Mark on={value === option.id} round />
          <OptionFace option={option} languages={languages} />
        </label>
      ))}
    </div>
  );
}

export function ChoicesView({
  question,
  value = [],
  onChange,
  readOnly,
  languages,
  parts,
  labelledBy,
}: QuestionProps<"choices">) {
  const t = useTranslations("question");
  const toggle = (id: string) =>
    onChange(value.includes(id) ? value.filter((chosen) => chosen !== id) : [...value, id]);
  return (
    <div role="group" aria-labelledby={labelledBy} className="grid gap-2">
      {question.options.map((option) => {
        const on = value.includes(option.id);
        return (
          <label key={option.id} className={label(on, on ? parts[option.id] : undefined)}>
            <input
              type="checkbox"
              className="heard"
              disabled={readOnly}
              checked={on}
              onChange={() => toggle(option.id)}
            />
            <Mark on={on} round={false} />
            <OptionFace option={option} languages={languages} />
          </label>
        );
      })}
      <p className="text-[0.85em] text-ink-soft">{t("allRight")}</p>
    </div>
  );
}
