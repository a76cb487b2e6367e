"use client";
import { clsx } from "clsx";
import { inLanguage } from "@/core/content/language";
import { passageWords } from "@/core/question/passage";
import { partLook, type QuestionProps } from "./props";
import { useTranslations } from "use-intl";

/** A passage whose words or sentences can be marked, each a button in the running text. */
export function MarkedPassage({
  passage,
  unit,
  marked,
  onToggle,
  readOnly,
  look,
  labelledBy,
}: {
  passage: string;
  unit: "word" | "sentence";
  marked: readonly number[];
  onToggle: (place: number) => void;
  readOnly: boolean;
  look?: (place: number) => string | undefined;
  labelledBy: string;
}) {
  return (
    <p role="group" aria-labelledby={labelledBy} className="max-w-prose leading-[2.4] whitespace-pre-wrap">
      {passageWords(passage, unit).map(({ text, place }, at) =>
        place === null ? (
          <span key={at}>{text}</span>
        ) : (
          <button
            key={at}
            type="button"
            disabled={readOnly}
            aria-pressed={marked.includes(place)}
            onClick={() => onToggle(place)}
            className={clsx(
              "rounded-[4px] border-b-2 px-0.5 py-1.5 text-left",
              marked.includes(place)
                ? "bg-slate-wash font-semibold underline decoration-2 underline-offset-4"
                : "border-transparent",
              marked.includes(place) && (look?.(place) ?? "border-slate"),
            )}
          >
            {text}
          </button>
        ),
      )}
    </p>
  );
}

export function HighlightView({
  question,
  value = [],
  onChange,
  readOnly,
  languages,
  parts,
  labelledBy,
}: QuestionProps<"highlight">) {
  return (
    <MarkedPassage
      passage={inLanguage(question.passage, languages) ?? ""}
      unit={question.unit}
      marked={value}
      readOnly={readOnly}
      look={(place) => (parts[place] === undefined ? undefined : partLook(parts[place]))}
      labelledBy={labelledBy}
      onToggle={(place) =>
        onChange(value.includes(place) ? value.filter((one) => one !== place) : [...value, place].sort((a, b) => a - b))
      }
    />
  );
}

const gapIn = (cell: string) => /^\[\[([A-Za-z0-9_-]+)\]\]$/.exec(cell)?.[1];

/** A table of which some cells are to be filled. */
export function CellsView({
  question,
  value = {},
  onChange,
  readOnly,
  languages,
  parts,
  labelledBy,
}: QuestionProps<"cells">) {
  const t = useTranslations("question");
  const rows = inLanguage(question.rows, languages) ?? [];
  const frame = "border border-line px-2 py-1.5 sm:px-3";
  return (
    <div className="overflow-x-auto">
      <table aria-labelledby={labelledBy} className="numbers border-collapse bg-card">
        <tbody>
          {rows.map((row, r) => (
            <tr key={r}>
              {row.map((cell, c) => {
                const gap = question.gaps.find((one) => one.id === gapIn(cell));
                if (!gap) {
                  return r === 0 || c === 0 ? (
                    <th key={c} scope={r === 0 ? "col" : "row"} className={`${frame} bg-shade text-left font-normal`}>
                      {cell}
                    </th>
                  ) : (
                    <td key={c} className={frame}>
                      {cell}
                    </td>
                  );
                }
                return (
                  <td key={c} className="border border-line p-0.5">
                    <input
                      type="text"
                      aria-label={
                        [row[0], rows[0]?.[c]].filter((text) => text && !gapIn(text)).join(", ") ||
                        t("cell", { row: r + 1, column: c + 1 })
                      }
                      value={value[gap.id] ?? ""}
                      readOnly={readOnly}
                      autoComplete="off"
                      maxLength={200}
                      onChange={(event) => onChange({ ...value, [gap.id]: event.target.value })}
                      className={clsx(
                        "min-h-12 w-20 rounded-card sm:w-28 border-2 bg-card px-2",
                        partLook(parts[gap.id]),
                      )}
                    />
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
