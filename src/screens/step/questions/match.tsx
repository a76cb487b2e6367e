"use client";
import { clsx } from "clsx";
import { X } from "lucide-react";
import { useState } from "react";
import { inLanguage } from "@/core/content/language";
import { Carry, Place } from "./carry";
import { PressList } from "./press-list";
import { partLook, target, type QuestionProps } from "./props";
import { useTranslations } from "use-intl";

/**
 * Pairs by pressing: the row waiting for a partner is marked; pressing a partner puts it there and goes on to the next
 * empty row. Works the same with a finger, a mouse and the Tab key; a partner may also be carried to its row.
 */
export function MatchView({
  question,
  value = [],
  onChange,
  readOnly,
  languages,
  parts,
  labelledBy,
}: QuestionProps<"match">) {
  const t = useTranslations("question");
  const partners = new Map(value);
  const [chosen, setChosen] = useState<string | null>(null);
  const firstEmpty = question.left.find((item) => !partners.has(item.id))?.id ?? null;
  const waiting = chosen ?? firstEmpty;
  const name = (id: string | undefined) => {
    const option = question.right.find((item) => item.id === id);
    return option && inLanguage(option.text, languages);
  };
  // Every row is as high as the longest partner makes it: what is pressed next does not move under the finger.
  const longest = question.right
    .map((item) => inLanguage(item.text, languages) ?? "")
    .reduce((one, other) => (other.length > one.length ? other : one), "");
  const pair = (right: string, row = waiting) => {
    if (!row) return;
    onChange([...value.filter(([left, old]) => left !== row && old !== right), [row, right]]);
    setChosen(null);
  };
  const part = (left: string) => onChange(value.filter(([old]) => old !== left));

  return (
    <Carry onPut={pair}>
      <div role="group" aria-labelledby={labelledBy} className="grid gap-4">
        <ul className="grid gap-2">
          {question.left.map((item) => {
            const partner = name(partners.get(item.id));
            const text = inLanguage(item.text, languages);
            return (
              <li key={item.id} className="grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)] items-center gap-3">
                <span>{text}</span>
                <Place place={item.id} over="rounded-card bg-green-wash" className="flex items-center gap-1">
                  <button
                    type="button"
                    disabled={readOnly}
                    aria-pressed={waiting === item.id}
                    aria-label={
                      partner ? t("partner", { name: text ?? "", partner }) : t("noPartner", { name: text ?? "" })
                    }
                    onClick={() => setChosen(item.id)}
                    className={clsx(
                      target,
                      "grid min-w-0 flex-1 py-1",
                      partner && parts[item.id] !== undefined
                        ? partLook(parts[item.id])
                        : !readOnly && waiting === item.id
                          ? "border-green bg-green-wash"
                          : "border-line",
                      !partner && "border-dashed text-ink-soft",
                    )}
                  >
                    <span aria-hidden className="invisible col-start-1 row-start-1">
                      {longest}
                    </span>
                    <span className="col-start-1 row-start-1 self-center">
                      {partner ?? (waiting === item.id && !readOnly ? t("chooseBelow") : "…")}
                    </span>
                  </button>
                  {!readOnly && !partner && <span className="w-9 shrink-0" />}
                  {partner && !readOnly && (
                    <button
                      type="button"
                      aria-label={t("takeAway", { name: partner })}
                      onClick={() => part(item.id)}
                      className="grid h-12 w-9 place-items-center"
                    >
                      <X size={18} aria-hidden />
                    </button>
                  )}
                </Place>
              </li>
            );
          })}
        </ul>
        <PressList
          name={t("partners")}
          options={question.right}
          languages={languages}
          readOnly={readOnly}
          idle={!waiting}
          isUsed={(id) => value.some(([, right]) => right === id)}
          onPress={(right) => pair(right)}
        />
      </div>
    </Carry>
  );
}
