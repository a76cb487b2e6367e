"use client";
import { useMemo } from "react";
import type { Document, Step } from "@/core/resource/document";
import { inLanguage } from "@/core/content/language";
import { plainText, type RichText } from "@/core/content/rich-text";
import { translatables, withTranslation, type Translatable } from "@/core/resource/translate";
import { inputClasses } from "@/ui/field";
import { nativeLanguageName } from "@/screens/media/native-language-name";
import { Rich } from "@/screens/step/rich";
import { InstructionsEditor, type Me } from "../media/instructions-editor";
import { RichEditor } from "../writing/rich-editor";
import { TranslateAnswers } from "./translate-answers";

/** A text as it is, and beside it a place to write it in another language. */
function Pair({
  original,
  missing,
  children,
}: {
  original: React.ReactNode;
  missing: boolean;
  children: React.ReactNode;
}) {
  return (
    <div className="grid grid-cols-2 items-start gap-4 border-t border-line py-2">
      <div className="font-child text-[16px]">{original}</div>
      <div className={missing ? "border-l-2 border-clay pl-2" : "border-l-2 border-transparent pl-2"}>{children}</div>
    </div>
  );
}

const keyOf = ({ path, cell }: Translatable) => [...path, ...(cell ?? [])].join(".");

/** Gaps keep their places: in the passage as she sees it they are numbered. */
const numbered = (text: string) => {
  const ids = [...text.matchAll(/\[\[([A-Za-z0-9_-]+)\]\]/g)].map(([, id]) => id!);
  return {
    show: (words: string) => words.replace(/\[\[([A-Za-z0-9_-]+)\]\]/g, (_, id: string) => `[${ids.indexOf(id) + 1}]`),
    read: (words: string) =>
      words.replace(/\[(\d+)\]/g, (all, nth: string) => (ids[Number(nth) - 1] ? `[[${ids[Number(nth) - 1]}]]` : all)),
  };
};

function TextPair({
  text,
  language,
  onText,
}: {
  text: Translatable;
  language: string;
  onText: (written: string | RichText) => void;
}) {
  const name =
    `${nativeLanguageName(language)}: ${typeof text.original === "string" ? text.original : plainText(text.original)}`.slice(
      0,
      120,
    );
  if (text.kind === "rich")
    return (
      <Pair original={<Rich text={text.original as RichText} />} missing={text.translation === undefined}>
        <RichEditor
          label={name}
          className="border border-line-strong bg-card py-1 font-child text-[16px]"
          value={text.translation as RichText | undefined}
          placeholder="…"
          onChange={onText}
        />
      </Pair>
    );
  const gaps = numbered(text.original as string);
  const long = (text.original as string).length > 60;
  const shared = {
    "aria-label": name,
    lang: language,
    value: gaps.show((text.translation as string | undefined) ?? ""),
    onChange: (event: { target: { value: string } }) => onText(gaps.read(event.target.value)),
    className: `${inputClasses} font-child`,
    maxLength: 4000,
  };
  return (
    <Pair original={gaps.show(text.original as string)} missing={!text.translation}>
      {long ? <textarea {...shared} rows={3} /> : <input type="text" {...shared} />}
    </Pair>
  );
}

/** One step in another language: every text beside what it says in the first one, the instructions with a voice of their own. */
export function TranslateStep({
  document,
  step,
  language,
  me,
  onStep,
  onDocument,
}: {
  document: Document;
  step: Step;
  language: string;
  me: Me;
  onStep: (step: Step, kind?: string) => void;
  onDocument: (document: Document, kind?: string) => void;
}) {
  const [from] = document.languages as [string];
  const texts = useMemo(() => translatables(step, document.languages, language), [step, document.languages, language]);
  const instructions = step.instructions[from]?.text;
  const about = (["title", "summary"] as const).filter((field) => inLanguage(document[field], [from]));
  return (
    <div className="mx-auto max-w-4xl" lang={language}>
      <div className="grid grid-cols-2 gap-4 pb-2 text-[13px] text-ink-soft" aria-hidden>
        <span>{nativeLanguageName(from)}</span>
        <span className="pl-2.5">{nativeLanguageName(language)}</span>
      </div>
      {document.steps[0]?.id === step.id &&
        about.map((field) => (
          <Pair key={field} original={document[field][from]} missing={!document[field][language]?.trim()}>
            <textarea
              rows={field === "title" ? 1 : 3}
              aria-label={`${nativeLanguageName(language)}: ${field === "title" ? "title of the whole" : "what it is about"}`}
              value={document[field][language] ?? ""}
              maxLength={field === "title" ? 300 : 1000}
              onChange={(event) =>
                onDocument(
                  { ...document, [field]: { ...document[field], [language]: event.target.value.replace(/\n/g, " ") } },
                  `${field}-${language}`,
                )
              }
              className={`${inputClasses} py-1 font-child`}
            />
          </Pair>
        ))}
      {texts.length === 0 && !instructions && (
        <p className="py-4 text-ink-soft">There is nothing to write in this step.</p>
      )}
      {texts.slice(0, 1).map((text) => (
        <TextPair
          key={keyOf(text)}
          text={text}
          language={language}
          onText={(written) =>
            onStep(withTranslation(step, text, language, written, from), `${language}-${step.id}-${keyOf(text)}`)
          }
        />
      ))}
      <Pair
        original={instructions && <Rich text={instructions} />}
        missing={Boolean(instructions && plainText(instructions)) && !plainText(step.instructions[language]?.text)}
      >
        <InstructionsEditor step={step} language={language} placeholder="…" me={me} onChange={onStep} />
      </Pair>
      {texts.slice(1).map((text) => (
        <TextPair
          key={keyOf(text)}
          text={text}
          language={language}
          onText={(written) =>
            onStep(withTranslation(step, text, language, written, from), `${language}-${step.id}-${keyOf(text)}`)
          }
        />
      ))}
      <TranslateAnswers step={step} language={language} from={from} onStep={onStep} />
    </div>
  );
}
