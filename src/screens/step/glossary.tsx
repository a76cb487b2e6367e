"use client";
import { X } from "lucide-react";
import { Popover } from "radix-ui";
import { createContext, useContext, useMemo, type ReactNode } from "react";
import { useLocale, useTranslations } from "use-intl";
import { givesAway, glossary as readyGlossary, type Glossed } from "@/core/content/glossary";
import { inLanguage } from "@/core/content/language";
import type { Question } from "@/core/question/question";
import type { Document } from "@/core/resource/document";
import { mediaAddress } from "./media";
import { ReadThis } from "./read-this";

interface Glossary {
  vocabulary: Document["vocabulary"];
  inText: (text: string) => Glossed[];
  languages: readonly string[];
}

const Words = createContext<Glossary | null>(null);

/** Inside, words of a lesson's glossary can be pressed: a card says what they mean. */
export function GlossaryProvider({
  vocabulary,
  languages,
  children,
}: {
  vocabulary: Document["vocabulary"];
  languages: readonly string[];
  children: ReactNode;
}) {
  const value = useMemo(
    () => ({ vocabulary, languages, inText: readyGlossary(vocabulary.map(({ term }) => term)) }),
    [vocabulary, languages],
  );
  return <Words value={vocabulary.length > 0 ? value : null}>{children}</Words>;
}

/** Inside a question, a word whose meaning stands among its answers cannot be pressed: the card would give it away. */
export function QuestionGlossary({ question, children }: { question: Question; children: ReactNode }) {
  const glossary = useContext(Words);
  const value = useMemo(() => {
    if (!glossary) return null;
    const vocabulary = glossary.vocabulary.filter(({ meaning }) => !givesAway(question, Object.values(meaning)));
    // Most questions give nothing away: then it is the glossary there is.
    return vocabulary.length === glossary.vocabulary.length
      ? glossary
      : { ...glossary, vocabulary, inText: readyGlossary(vocabulary.map(({ term }) => term)) };
  }, [glossary, question]);
  return <Words value={value}>{children}</Words>;
}

function Card({
  entry,
  languages,
  text,
}: {
  entry: Document["vocabulary"][number];
  languages: readonly string[];
  text: string;
}) {
  const t = useTranslations("glossary");
  const own = useLocale();
  const meaning = inLanguage(entry.meaning, languages);
  // In the child's own language too, where it is not the one that is read.
  const also = own !== languages[0] ? entry.meaning[own] : undefined;
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <button
          type="button"
          aria-label={`${text}. ${t("open", { term: entry.term })}`}
          // A word in running text is no taller than its line; a finger is given more to press.
          data-word
          className="relative cursor-help underline decoration-dotted decoration-2 underline-offset-4 after:absolute after:-inset-x-1 after:-inset-y-3"
        >
          {text}
        </button>
      </Popover.Trigger>
      <Popover.Content
        sideOffset={6}
        collisionPadding={12}
        className="z-50 grid w-72 max-w-[calc(100vw-2rem)] gap-2 rounded-card border-2 border-ink bg-card p-4 text-left font-child font-normal shadow-soft"
      >
        <span className="flex items-start justify-between gap-2">
          <strong>{entry.term}</strong>
          <Popover.Close
            aria-label={t("close")}
            className="grid h-12 w-12 shrink-0 place-items-center rounded-card border-2 border-line"
          >
            <X size={18} aria-hidden />
          </Popover.Close>
        </span>
        {entry.picture && (
          // eslint-disable-next-line @next/next/no-img-element -- a stored file is served as it is
          <img src={mediaAddress(entry.picture)} alt="" className="max-h-40 max-w-full rounded-card" />
        )}
        <span className="flex items-center justify-between gap-2">
          <span>{meaning}</span>
          {meaning && <ReadThis text={`${entry.term}: ${meaning}`} language={languages[0]!} />}
        </span>
        {also && also !== meaning && <span lang={own}>{also}</span>}
      </Popover.Content>
    </Popover.Root>
  );
}

/** Running text, in which words of the glossary can be pressed. */
export function Worded({ text }: { text: string }) {
  const glossary = useContext(Words);
  if (!glossary) return text;
  return glossary
    .inText(text)
    .map((part, at) =>
      part.term === undefined ? (
        part.text
      ) : (
        <Card key={at} entry={glossary.vocabulary[part.term]!} languages={glossary.languages} text={part.text} />
      ),
    );
}
