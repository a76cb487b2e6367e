"use client";
import { Check, Lightbulb, MessageSquareText, Volume2 } from "lucide-react";
import { useState, type ComponentType, type ReactNode } from "react";
import type { NewId } from "@/core/resource/edit";
import { inLanguage } from "@/core/content/language";
import { type Question, type QuestionType } from "@/core/question/question";
import { readByPerson } from "@/core/question/mark";
import { isBlank, type RichText } from "@/core/content/rich-text";
import { formatAllowed, usualLimits } from "@/core/resource/time-limit";
import { Button } from "@/ui/button";
import { Field, inputClasses, TextInput } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { AboutStandards } from "./about-standards";
import type { EditorProps } from "./editor-props";
import { NumberBox } from "./number-box";
import { questionEditors } from "./question-editors";
import { RichEditor } from "../writing/rich-editor";

/** Most questions have none: a place to write one in is made when it is wanted. */
function OptionalText({
  name,
  icon,
  text,
  onText,
}: {
  name: string;
  icon: ReactNode;
  text: RichText | undefined;
  onText: (text: RichText) => void;
}) {
  const [wanted, setWanted] = useState(false);
  if (!wanted && isBlank(text))
    return (
      <Button size="small" onClick={() => setWanted(true)}>
        {icon} {name}
      </Button>
    );
  return (
    <div className="w-full">
      <p className="mb-1 text-[13px] text-ink-soft">{name}</p>
      <RichEditor
        label={name}
        className="border border-line bg-card py-1"
        value={text}
        focused={wanted}
        onChange={onText}
      />
    </div>
  );
}

const feedbackNames = { right: "When right", wrong: "When not right", general: "After any answer" } as const;

/** What is read aloud in place of what stands there. */
function AloudField({
  question,
  languages,
  onChange,
}: {
  question: Question;
  languages: readonly string[];
  onChange: (question: Question, kind?: string) => void;
}) {
  const [wanted, setWanted] = useState(false);
  const text = inLanguage(question.aloud, languages) ?? "";
  if (!wanted && !text)
    return (
      <Button size="small" onClick={() => setWanted(true)}>
        <Volume2 size={15} aria-hidden /> Read aloud as …
      </Button>
    );
  return (
    <Field label="Read aloud as" className="w-full" help="Empty: everything is read as it stands.">
      {(control) => (
        <TextInput
          {...control}
          maxLength={1000}
          value={text}
          autoFocus={wanted}
          onChange={(event) =>
            onChange(
              { ...question, aloud: { ...question.aloud, [languages[0]!]: event.target.value } },
              `aloud-${question.id}`,
            )
          }
        />
      )}
    </Field>
  );
}

/** A hint before, and what is said afterwards. */
function BesideTheQuestion({
  question,
  languages,
  onChange,
}: {
  question: Question;
  languages: readonly string[];
  onChange: (question: Question, kind?: string) => void;
}) {
  const language = languages[0]!;
  const byRule = !readByPerson(question.type);
  return (
    <div className="flex flex-wrap items-end gap-2">
      <OptionalText
        name="Hint"
        icon={<Lightbulb size={15} aria-hidden />}
        text={inLanguage(question.hint, languages)}
        onText={(text) =>
          onChange({ ...question, hint: { ...question.hint, [language]: text } }, `hint-${question.id}`)
        }
      />
      <AloudField question={question} languages={languages} onChange={onChange} />
      {question.type !== "poll" &&
        (byRule ? (["right", "wrong", "general"] as const) : (["general"] as const)).map((when) => (
          <OptionalText
            key={when}
            name={feedbackNames[when]}
            icon={<MessageSquareText size={15} aria-hidden />}
            text={inLanguage(question.feedback?.[when], languages)}
            onText={(text) =>
              onChange(
                {
                  ...question,
                  feedback: { ...question.feedback, [when]: { ...question.feedback?.[when], [language]: text } },
                },
                `feedback-${when}-${question.id}`,
              )
            }
          />
        ))}
    </div>
  );
}

/** A question: what is asked, its type's own part, marks, when it is checked, a hint. */
export function QuestionEditor({
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
  const Editor = questionEditors[question.type] as ComponentType<EditorProps<QuestionType>>;
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
      {question.toCheck && (
        <Notice tone="warning" className="flex flex-wrap items-center gap-3 text-[14px]">
          Its numbers were changed. Is the answer still right?
          <Button size="small" onClick={() => onChange({ ...question, toCheck: undefined })}>
            <Check size={15} aria-hidden /> The answer is right
          </Button>
        </Notice>
      )}
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
                  <option value="by part">each part earns its share</option>
                  <option value="all">all or nothing</option>
                </select>
              )}
            </Field>
            <Field label="Checked" className="w-40">
              {(control) => (
                <select
                  {...control}
                  className={inputClasses}
                  value={question.checked}
                  onChange={(event) => onChange({ ...question, checked: event.target.value as Question["checked"] })}
                >
                  <option>at once</option>
                  <option>at the end</option>
                  <option value="after due">after the due date</option>
                  <option>never</option>
                </select>
              )}
            </Field>
          </>
        )}
        <Field label="Time" className="w-36">
          {(control) => (
            <select
              {...control}
              className={inputClasses}
              value={question.seconds ?? ""}
              onChange={(event) =>
                onChange({ ...question, seconds: event.target.value === "" ? undefined : Number(event.target.value) })
              }
            >
              <option value="">no limit</option>
              {[...new Set([...usualLimits, ...(question.seconds === undefined ? [] : [question.seconds])])]
                .toSorted((one, other) => one - other)
                .map((seconds) => (
                  <option key={seconds} value={seconds}>
                    {formatAllowed(seconds)}
                  </option>
                ))}
            </select>
          )}
        </Field>
      </div>
      <AboutStandards question={question} onChange={onChange} />
      <BesideTheQuestion question={question} languages={languages} onChange={onChange} />
    </div>
  );
}
