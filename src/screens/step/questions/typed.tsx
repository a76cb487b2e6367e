"use client";
import { clsx } from "clsx";
import { inLanguage } from "@/core/content/language";
import { passageParts } from "@/core/question/passage";
import { writtenText } from "@/core/question/types/long-text/long-text";
import { wordsFor } from "@/core/question/types/gaps/word-list";
import { ManipulativeView } from "../manipulative/manipulative-view";
import { partLook, target, type QuestionProps } from "./props";
import { useTranslations } from "use-intl";

export function ShortTextView({ value = "", onChange, readOnly, labelledBy }: QuestionProps<"shortText">) {
  return (
    <input
      type="text"
      aria-labelledby={labelledBy}
      value={value}
      readOnly={readOnly}
      autoComplete="off"
      spellCheck={false}
      maxLength={500}
      onChange={(event) => onChange(event.target.value)}
      className={clsx(target, "w-full max-w-md border-line-strong")}
    />
  );
}

/** Writing, and where there is one, the list to look through before it is handed in. */
export function LongTextView({
  question,
  value = "",
  onChange,
  readOnly,
  languages,
  labelledBy,
}: QuestionProps<"longText">) {
  const t = useTranslations("question");
  const text = writtenText(value);
  const done = typeof value === "string" ? [] : value.done;
  const { checklist } = question;
  return (
    <div className="grid grid-cols-1 gap-3">
      <textarea
        aria-labelledby={labelledBy}
        value={text}
        readOnly={readOnly}
        rows={question.lines}
        maxLength={20_000}
        onChange={(event) => onChange(checklist ? { text: event.target.value, done } : event.target.value)}
        className={clsx(target, "w-full border-line-strong py-2 leading-relaxed")}
      />
      {checklist && checklist.length > 0 && (
        <ul aria-label={t("beforeHandIn")}>
          {checklist.map((point) => (
            <li key={point.id}>
              <label className="flex min-h-12 items-center gap-3">
                <input
                  type="checkbox"
                  disabled={readOnly}
                  checked={done.includes(point.id)}
                  onChange={(event) =>
                    onChange({
                      text,
                      done: event.target.checked ? [...done, point.id] : done.filter((one) => one !== point.id),
                    })
                  }
                  className="h-6 w-6 accent-green"
                />
                {inLanguage(point.text, languages)}
              </label>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

export function NumberView(props: QuestionProps<"number">) {
  const { question, value = {}, onChange, readOnly, languages } = props;
  const [first] = question.parts;
  if (!question.tool || readOnly) return <NumberBoxes {...props} />;
  return (
    <div className="grid grid-cols-1 gap-3">
      <ManipulativeView
        tool={question.tool}
        languages={languages}
        onNumber={(number) => {
          const written = Number(number.toFixed(6)).toLocaleString(languages[0], {
            useGrouping: false,
            maximumFractionDigits: 6,
          });
          onChange({ ...value, [first!.id]: { ...value[first!.id], number: written } });
        }}
      />
      <NumberBoxes {...props} />
    </div>
  );
}

function NumberBoxes({ question, value = {}, onChange, readOnly, parts, labelledBy }: QuestionProps<"number">) {
  const t = useTranslations("question");
  return (
    <div role="group" aria-labelledby={labelledBy} className="flex flex-wrap items-center gap-2">
      {question.parts.map((part, at) => {
        const response = value[part.id] ?? { number: "" };
        const change = (next: { number?: string; unit?: string }) =>
          onChange({ ...value, [part.id]: { ...response, ...next } });
        const name = part.unit ?? (question.parts.length > 1 ? t("numberNth", { number: at + 1 }) : t("number"));
        return (
          <span key={part.id} className="flex items-center gap-2">
            <input
              type="text"
              inputMode="decimal"
              aria-label={name}
              value={response.number}
              readOnly={readOnly}
              autoComplete="off"
              maxLength={60}
              onChange={(event) => change({ number: event.target.value })}
              className={clsx(target, "numbers w-24 text-center font-semibold", partLook(parts[part.id]))}
            />
            {part.units ? (
              <select
                aria-label={t("unit")}
                value={response.unit ?? ""}
                disabled={readOnly}
                onChange={(event) => change({ unit: event.target.value })}
                className={clsx(target, "border-line-strong")}
              >
                <option value="">{t("chooseUnit")}</option>
                {part.units.map((unit) => (
                  <option key={unit.name}>{unit.name}</option>
                ))}
              </select>
            ) : (
              part.unit && <span aria-hidden>{part.unit}</span>
            )}
          </span>
        );
      })}
    </div>
  );
}

export function GapsView({
  question,
  value = {},
  onChange,
  readOnly,
  languages,
  parts,
  labelledBy,
}: QuestionProps<"gaps">) {
  const t = useTranslations("question");
  const pieces = passageParts(inLanguage(question.passage, languages) ?? "");
  const order = pieces.flatMap((piece) => ("gap" in piece ? [piece.gap] : []));
  const language = languages.find((one) => question.passage[one] !== undefined);
  return (
    <div role="group" aria-labelledby={labelledBy} className="leading-[3.2]">
      {pieces.map((piece, at) => {
        if ("text" in piece) return <span key={at}>{piece.text}</span>;
        const gap = question.gaps.find((candidate) => candidate.id === piece.gap);
        if (!gap) return null;
        const common = { "aria-label": t("gap", { number: order.indexOf(gap.id) + 1 }), value: value[gap.id] ?? "" };
        const change = (text: string) => onChange({ ...value, [gap.id]: text });
        const words = wordsFor(gap, language);
        return words ? (
          <select
            key={at}
            {...common}
            disabled={readOnly}
            onChange={(event) => change(event.target.value)}
            className={clsx(target, "mx-1", partLook(parts[gap.id]))}
          >
            <option value="">…</option>
            {words.map((option) => (
              <option key={option}>{option}</option>
            ))}
          </select>
        ) : (
          <input
            key={at}
            {...common}
            type="text"
            readOnly={readOnly}
            autoComplete="off"
            spellCheck={false}
            maxLength={200}
            onChange={(event) => change(event.target.value)}
            className={clsx(target, "mx-1 w-36", partLook(parts[gap.id]))}
          />
        );
      })}
    </div>
  );
}
