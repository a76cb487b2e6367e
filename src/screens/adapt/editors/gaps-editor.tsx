"use client";
import { useState } from "react";
import { readPassage, writePassage } from "@/core/question/passage";
import { inLanguage } from "@/core/content/language";
import { isChosen, otherWords, withoutWords, withWords } from "@/core/question/types/gaps/word-list";
import { Field, inputClasses } from "@/ui/field";
import { Segmented } from "@/ui/segmented";
import type { EditorProps } from "./editor-props";

const wordsIn = (text: string): string[] => text.split("\n").map((line) => line.trim().slice(0, 200));

/** The passage with its gaps in brackets, and whether children type into them or choose from a list. */
export function GapsEditor({ question, languages, newId, onChange }: EditorProps<"gaps">) {
  const language = languages[0]!;
  const { gaps } = question;
  const written = writePassage(inLanguage(question.passage, languages) ?? "", gaps);
  const listed = isChosen(gaps);
  // A list of a single word is none yet; what is typed for it stays on the screen until there are two.
  const [wanted, setWanted] = useState(false);
  const chosen = listed || wanted;
  const stored = otherWords(gaps);
  const [typed, setTyped] = useState(stored.join("\n"));
  const same = [...new Set(wordsIn(typed).filter(Boolean))].sort().join("\n") === [...stored].sort().join("\n");
  const others = !listed || same ? typed : stored.join("\n");

  return (
    <div className="grid gap-3">
      <Field
        label="The passage"
        help="Put the word for a gap in brackets: The tide is [high]. Several that are right: [ebbs|falls]."
      >
        {(control) => (
          <textarea
            {...control}
            key={written}
            rows={4}
            defaultValue={written}
            onBlur={(event) => {
              if (event.target.value === written) return;
              const read = readPassage(event.target.value, gaps, newId);
              onChange({
                ...question,
                passage: { ...question.passage, [language]: read.passage },
                gaps: chosen ? withWords(read.gaps, wordsIn(others), language) : read.gaps,
              });
            }}
            className={`${inputClasses} py-2 font-child`}
          />
        )}
      </Field>
      <Segmented
        label="How the gaps are filled"
        className="justify-self-start"
        value={chosen ? "chosen" : "typed"}
        onChange={(how) => {
          setWanted(how === "chosen");
          onChange({
            ...question,
            gaps: how === "chosen" ? withWords(gaps, wordsIn(others), language) : withoutWords(gaps),
          });
        }}
        options={[
          { value: "typed", text: "typed" },
          { value: "chosen", text: "chosen from a list" },
        ]}
      />
      {chosen && (
        <Field
          label="Other words in the list"
          help={
            listed
              ? "One a line. The right ones are in it already; children see them in alphabetical order."
              : "One a line. One word is no list yet: until there is another, children type."
          }
        >
          {(control) => (
            <textarea
              {...control}
              rows={3}
              value={others}
              onChange={(event) => {
                setTyped(event.target.value);
                onChange(
                  { ...question, gaps: withWords(gaps, wordsIn(event.target.value), language) },
                  `others-${question.id}`,
                );
              }}
              className={`${inputClasses} py-2 font-child`}
            />
          )}
        </Field>
      )}
    </div>
  );
}
