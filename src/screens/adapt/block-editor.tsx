"use client";
import { ArrowDown, ArrowUp, Trash2 } from "lucide-react";
import type { ReactNode } from "react";
import type { Block, BlockOf } from "@/core/resource/block";
import type { NewId } from "@/core/resource/edit";
import { inLanguage } from "@/core/resource/language";
import { readByPerson, type Question, type QuestionType } from "@/core/resource/question";
import { Field, inputClasses, TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { BlockView } from "../step/block-view";
import { NumberBox } from "./number-box";
import { PictureEditor } from "./picture-editor";
import type { EditorProps } from "./editor-props";
import { questionEditors } from "./question-editors";
import { RichEditor } from "./rich-editor";

export const questionNames: Record<QuestionType, string> = {
  choice: "One choice",
  choices: "Several choices",
  shortText: "Short answer",
  number: "Number",
  gaps: "Gaps to fill",
  match: "Pairs to match",
  order: "Put in order",
  longText: "Writing",
  groups: "Sort into groups",
  labels: "Label a picture",
  line: "Place on a number line",
  bars: "Bars to draw",
  points: "Points to plot",
  highlight: "Words to mark",
  cells: "Table to fill",
  sketch: "Drawing",
};

function QuestionEditor({
  question,
  languages,
  newId,
  onChange,
}: {
  question: Question;
  languages: readonly string[];
  newId: NewId;
  onChange: (question: Question, kind?: string) => void;
}) {
  const Editor = questionEditors[question.type] as (props: EditorProps<QuestionType>) => ReactNode;
  const language = languages[0]!;
  return (
    <div className="grid gap-3">
      <RichEditor
        label="What is asked"
        className="font-child font-semibold"
        value={inLanguage(question.prompt, languages)}
        placeholder="What do you ask?"
        onChange={(text) =>
          onChange({ ...question, prompt: { ...question.prompt, [language]: text } }, `prompt-${question.id}`)
        }
      />
      <Editor question={question as never} languages={languages} newId={newId} onChange={onChange as never} />
      <div className="flex flex-wrap items-end gap-3 border-t border-line pt-3">
        {!readByPerson(question.type) && (
          <>
            <Field label="Marks" className="w-20">
              {(control) => (
                <NumberBox
                  {...control}
                  least={0}
                  most={100}
                  value={question.marks}
                  onNumber={(marks) => onChange({ ...question, marks }, `marks-${question.id}`)}
                />
              )}
            </Field>
            <Field label="Marks for a part" className="w-48">
              {(control) => (
                <select
                  {...control}
                  className={inputClasses}
                  value={question.partial}
                  onChange={(event) => onChange({ ...question, partial: event.target.value as Question["partial"] })}
                >
                  <option value="by part">each part its share</option>
                  <option value="all">all or nothing</option>
                </select>
              )}
            </Field>
            <Field label="Checked" className="w-32">
              {(control) => (
                <select
                  {...control}
                  className={inputClasses}
                  value={question.checked}
                  onChange={(event) => onChange({ ...question, checked: event.target.value as Question["checked"] })}
                >
                  <option>at once</option>
                  <option>at the end</option>
                  <option>never</option>
                </select>
              )}
            </Field>
          </>
        )}
        <div className="min-w-52 flex-1">
          <p className="mb-1 text-[13px] text-ink-soft">Hint</p>
          <RichEditor
            label="Hint"
            className="border border-line bg-card py-1"
            value={inLanguage(question.hint, languages)}
            placeholder="none"
            onChange={(text) =>
              onChange({ ...question, hint: { ...question.hint, [language]: text } }, `hint-${question.id}`)
            }
          />
        </div>
      </div>
    </div>
  );
}

function TableEditor({
  block,
  languages,
  onChange,
}: {
  block: BlockOf<"table">;
  languages: readonly string[];
  onChange: (block: Block, kind?: string) => void;
}) {
  const language = Object.keys(block.rows).find((one) => one === languages[0]) ?? Object.keys(block.rows)[0]!;
  const rows = block.rows[language]!;
  const put = (next: string[][], kind?: string) =>
    onChange({ ...block, rows: { ...block.rows, [language]: next } }, kind);
  return (
    <div className="overflow-x-auto">
      <table>
        <tbody>
          {rows.map((row, at) => (
            <tr key={at}>
              {row.map((text, nth) => (
                <td key={nth} className="p-0.5">
                  <TextInput
                    aria-label={`Row ${at + 1}, column ${nth + 1}`}
                    value={text}
                    maxLength={400}
                    className="!min-h-8 min-w-20 font-child"
                    onChange={(event) =>
                      put(
                        rows.map((old, r) =>
                          r === at ? old.map((cell, c) => (c === nth ? event.target.value : cell)) : old,
                        ),
                        `cell-${block.id}-${at}-${nth}`,
                      )
                    }
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-1 flex gap-3 text-[13px] text-green underline">
        <button type="button" onClick={() => put([...rows, rows[0]!.map(() => "")])}>
          another row
        </button>
        <button type="button" onClick={() => put(rows.map((row) => [...row, ""]))}>
          another column
        </button>
        {rows.length > 1 && (
          <button type="button" onClick={() => put(rows.slice(0, -1))}>
            without the last row
          </button>
        )}
        {rows[0]!.length > 1 && (
          <button type="button" onClick={() => put(rows.map((row) => row.slice(0, -1)))}>
            without the last column
          </button>
        )}
      </div>
    </div>
  );
}

/** One block of a step, edited where it stands. */
export function BlockEditor({
  block,
  languages,
  newId,
  first,
  last,
  onChange,
  onMove,
  onRemove,
}: {
  block: Block;
  languages: readonly string[];
  newId: NewId;
  first: boolean;
  last: boolean;
  onChange: (block: Block, kind?: string) => void;
  onMove: (by: -1 | 1) => void;
  onRemove: () => void;
}) {
  const name =
    block.type === "question" ? questionNames[block.question.type] : block.type[0]!.toUpperCase() + block.type.slice(1);
  const language = languages[0]!;
  return (
    <section aria-label={name} className="rounded-card border border-line bg-card">
      <header className="flex h-8 items-center gap-1 border-b border-line pr-1 pl-3 text-[13px] text-ink-soft">
        <span className="flex-1">{name}</span>
        <IconButton name={`${name}: up`} small disabled={first} onClick={() => onMove(-1)}>
          <ArrowUp size={14} aria-hidden />
        </IconButton>
        <IconButton name={`${name}: down`} small disabled={last} onClick={() => onMove(1)}>
          <ArrowDown size={14} aria-hidden />
        </IconButton>
        <IconButton name={`Remove: ${name}`} small onClick={onRemove}>
          <Trash2 size={14} aria-hidden />
        </IconButton>
      </header>
      <div className="p-3">
        {block.type === "question" ? (
          <QuestionEditor
            question={block.question}
            languages={languages}
            newId={newId}
            onChange={(question, kind) => onChange({ ...block, question }, kind)}
          />
        ) : block.type === "text" ? (
          <RichEditor
            label="Text"
            className="font-child text-[16px]"
            value={inLanguage(block.text, languages)}
            placeholder="Write here …"
            onChange={(text) => onChange({ ...block, text: { ...block.text, [language]: text } }, `text-${block.id}`)}
          />
        ) : block.type === "picture" ? (
          <PictureEditor block={block} languages={languages} onChange={onChange} />
        ) : block.type === "table" ? (
          <TableEditor block={block} languages={languages} onChange={onChange} />
        ) : (
          <BlockView block={block} languages={languages} />
        )}
      </div>
    </section>
  );
}
