"use client";
import { Plus, X } from "lucide-react";
import { marksAfterEdit, readCells, writeCells } from "@/core/question/types/gaps/edit-passage";
import { inLanguage } from "@/core/content/language";
import { Button } from "@/ui/button";
import { Field, inputClasses, TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { MarkedPassage } from "@/screens/step/questions/passage";
import type { EditorProps } from "./editor-props";
import { NumberBox } from "./number-box";

/** The passage, and under it the same once more to mark what is right. */
export function HighlightEditor({ question, languages, onChange }: EditorProps<"highlight">) {
  const language = languages[0]!;
  const passage = inLanguage(question.passage, languages) ?? "";
  const right = question.right[language] ?? [];
  const toggle = (place: number) => {
    const next = right.includes(place) ? right.filter((one) => one !== place) : [...right, place].sort((a, b) => a - b);
    onChange({ ...question, right: { ...question.right, [language]: next } });
  };
  return (
    <div className="grid gap-3">
      <Field label="Passage">
        {(control) => (
          <textarea
            {...control}
            rows={4}
            maxLength={6000}
            value={passage}
            onChange={(event) =>
              onChange(
                {
                  ...question,
                  passage: { ...question.passage, [language]: event.target.value },
                  right: {
                    ...question.right,
                    [language]: marksAfterEdit(passage, event.target.value, question.unit, right),
                  },
                },
                `passage-${question.id}`,
              )
            }
            className={`${inputClasses} py-2 font-child`}
          />
        )}
      </Field>
      <Field label="Students mark" className="w-40">
        {(control) => (
          <select
            {...control}
            className={inputClasses}
            value={question.unit}
            onChange={(event) => onChange({ ...question, unit: event.target.value as "word" | "sentence", right: {} })}
          >
            <option value="word">words</option>
            <option value="sentence">sentences</option>
          </select>
        )}
      </Field>
      {passage.trim() !== "" && (
        <div className="rounded-card border border-line p-3 font-child">
          <p id={`${question.id}-right`} className="text-[13px] text-ink-soft">
            Press what is right.
          </p>
          <MarkedPassage
            passage={passage}
            unit={question.unit}
            marked={right}
            readOnly={false}
            onToggle={toggle}
            labelledBy={`${question.id}-right`}
          />
        </div>
      )}
    </div>
  );
}

/** The table as it will stand; what a cell holds in [brackets] is what students fill in. */
export function CellsEditor({ question, languages, newId, onChange }: EditorProps<"cells">) {
  const language = languages[0]!;
  const rows = writeCells(inLanguage(question.rows, languages) ?? [[""]], question.gaps);
  const put = (next: string[][], kind?: string) => {
    const { rows: read, gaps } = readCells(next, question.gaps, newId);
    onChange({ ...question, rows: { ...question.rows, [language]: read }, gaps }, kind);
  };
  return (
    <div className="grid gap-2">
      <p className="text-[13px] text-ink-soft">
        Type what is in each cell. For a cell to fill in, put the answer in brackets: [12] or [twelve|12].
      </p>
      <div className="overflow-x-auto">
        <table>
          <tbody>
            {rows.map((row, r) => (
              <tr key={r}>
                {row.map((cell, c) => (
                  <td key={c} className="p-0.5">
                    <TextInput
                      aria-label={`Row ${r + 1}, column ${c + 1}`}
                      value={cell}
                      maxLength={400}
                      className="!min-h-8 min-w-20 font-child"
                      onChange={(event) =>
                        put(
                          rows.map((old, at) =>
                            at === r ? old.map((one, nth) => (nth === c ? event.target.value : one)) : old,
                          ),
                          `cell-${question.id}-${r}-${c}`,
                        )
                      }
                    />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="flex flex-wrap gap-2">
        <Button size="small" look="quiet" onClick={() => put([...rows, rows[0]!.map(() => "")])}>
          Add a row
        </Button>
        <Button size="small" look="quiet" onClick={() => put(rows.map((row) => [...row, ""]))}>
          Add a column
        </Button>
        <Button size="small" look="quiet" disabled={rows.length < 2} onClick={() => put(rows.slice(0, -1))}>
          Delete the last row
        </Button>
        <Button
          size="small"
          look="quiet"
          disabled={rows[0]!.length < 2}
          onClick={() => put(rows.map((row) => row.slice(0, -1)))}
        >
          Delete the last column
        </Button>
      </div>
    </div>
  );
}

export function LongTextEditor({ question, languages, newId, onChange }: EditorProps<"longText">) {
  const checklist = question.checklist ?? [];
  const language = languages[0]!;
  return (
    <div className="grid gap-3">
      <Field label="Lines to write on" className="w-32">
        {(control) => (
          <NumberBox
            {...control}
            least={1}
            most={60}
            whole
            value={question.lines}
            onNumber={(lines) => onChange({ ...question, lines }, `lines-${question.id}`)}
          />
        )}
      </Field>
      <div className="grid gap-2">
        <p className="text-[13px] text-ink-soft">Check before handing in</p>
        {checklist.map((point, at) => (
          <div key={point.id} className="flex items-center gap-2">
            <input
              type="text"
              aria-label={`Point to check ${at + 1}`}
              maxLength={200}
              value={inLanguage(point.text, languages) ?? ""}
              onChange={(event) =>
                onChange(
                  {
                    ...question,
                    checklist: checklist.map((one) =>
                      one.id === point.id ? { ...one, text: { ...one.text, [language]: event.target.value } } : one,
                    ),
                  },
                  `check-${point.id}`,
                )
              }
              className={`${inputClasses} font-child`}
            />
            <IconButton
              name={`Remove point ${at + 1}`}
              small
              onClick={() => onChange({ ...question, checklist: checklist.filter((one) => one.id !== point.id) })}
            >
              <X size={15} aria-hidden />
            </IconButton>
          </div>
        ))}
        <div>
          <Button
            size="small"
            look="quiet"
            disabled={checklist.length >= 12}
            onClick={() =>
              onChange({ ...question, checklist: [...checklist, { id: newId(), text: { [language]: "" } }] })
            }
          >
            <Plus size={15} aria-hidden /> Point to check
          </Button>
        </div>
      </div>
    </div>
  );
}
