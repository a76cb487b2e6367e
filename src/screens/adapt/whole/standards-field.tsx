"use client";
import { Plus, X } from "lucide-react";
import { useEffect, useState } from "react";
import type { Document } from "@/core/resource/document";
import { inLanguage } from "@/core/content/language";
import type { StandardOffer } from "@/data/find/standards";
import { Button } from "@/ui/button";
import { inputClasses, TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { tell } from "@/ui/toast";
import { askStandards } from "./ask-standards";
import { StandardsTree } from "./standards-tree";

type Alignment = Document["standards"][number];
const MOST = 40;
const PAUSE_MS = 250;
const relations: Record<Alignment["relation"], string> = {
  teaches: "is taught",
  assesses: "is assessed",
  requires: "must be known",
};
const keyOf = ({ framework, code }: { framework: string; code: string }) => `${framework} ${code}`;

/** Words of the document itself that may say what it is about. */
const ownWords = (document: Document): string[] =>
  [inLanguage(document.title, document.languages), inLanguage(document.summary, document.languages), ...document.topics]
    .join(" ")
    .split(/[^\p{L}\p{N}.]+/u)
    .filter((word) => word.length > 3 && word.length <= 60)
    .slice(0, 40);

/** Which standards it teaches, assesses or needs: found by words or codes, suggested from its own words, or from the tree. */
export function StandardsField({
  resource,
  document,
  onChange,
}: {
  resource: number;
  document: Document;
  onChange: (document: Document) => void;
}) {
  const [typed, setTyped] = useState("");
  const [found, setFound] = useState<{ wanted: string; offers: StandardOffer[] | null } | null>(null);
  const [statements, setStatements] = useState<Record<string, StandardOffer>>({});
  const [tree, setTree] = useState(false);
  const { standards, grades } = document;
  const words = typed.trim()
    ? typed
        .trim()
        .split(/\s+/)
        .map((word) => word.slice(0, 60))
    : ownWords(document);
  const wanted = JSON.stringify({ words, grades });
  const named = JSON.stringify(standards.map(({ framework, code }) => ({ framework, code })));

  useEffect(() => {
    const abort = new AbortController();
    const timer = setTimeout(() => {
      const { words: asked, grades: of } = JSON.parse(wanted) as { words: string[]; grades: Document["grades"] };
      void askStandards(resource, { ask: "like", words: asked, grades: of }, abort.signal).then((answer) => {
        if (!abort.signal.aborted) setFound({ wanted, offers: answer && "offers" in answer ? answer.offers : null });
      });
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      abort.abort();
    };
  }, [resource, wanted]);
  useEffect(() => {
    if (named === "[]") return;
    const abort = new AbortController();
    const asked = JSON.parse(named) as { framework: string; code: string }[];
    void askStandards(resource, { ask: "named", named: asked }, abort.signal).then((answer) => {
      if (answer && "offers" in answer)
        setStatements(Object.fromEntries(answer.offers.map((offer) => [keyOf(offer), offer])));
    });
    return () => abort.abort();
  }, [resource, named]);

  const has = (offer: { framework: string; frameworkName: string; code: string }) =>
    standards.some(
      ({ framework, code }) =>
        code === offer.code && (framework === offer.framework || framework === offer.frameworkName),
    );
  const add = (offer: StandardOffer) => {
    if (has(offer) || standards.length >= MOST) return;
    setStatements((old) => ({ ...old, [keyOf(offer)]: offer }));
    onChange({
      ...document,
      standards: [...standards, { framework: offer.framework, code: offer.code, relation: "teaches" }],
    });
  };
  const put = (list: Alignment[]) => onChange({ ...document, standards: list });
  const remove = (gone: Alignment) => {
    put(standards.filter((one) => one !== gone));
    tell(`${gone.code} is out.`, () => onChange(document));
  };
  const answered = found?.wanted === wanted;
  const free = (found?.offers ?? []).filter((offer) => !has(offer)).slice(0, typed.trim() ? 8 : 3);

  return (
    <section aria-label="Standards">
      <h3 className="mb-1 text-[13px] text-ink-soft">Standards</h3>
      <ul className="grid gap-2">
        {standards.map((one) => (
          <li key={`${keyOf(one)} ${one.relation}`} className="rounded-card border border-line p-2">
            <div className="flex items-center gap-2">
              <span className="numbers flex-1 font-semibold">{one.code}</span>
              <select
                aria-label={`How ${one.code} is met`}
                className={`${inputClasses} !w-auto`}
                value={one.relation}
                onChange={(event) =>
                  put(
                    standards.map((old) =>
                      old === one ? { ...one, relation: event.target.value as Alignment["relation"] } : old,
                    ),
                  )
                }
              >
                {Object.entries(relations).map(([relation, name]) => (
                  <option key={relation} value={relation}>
                    {name}
                  </option>
                ))}
              </select>
              <IconButton name={`Without ${one.code}`} small onClick={() => remove(one)}>
                <X size={14} aria-hidden />
              </IconButton>
            </div>
            <p className="mt-1 text-[13px] text-ink-soft">
              {statements[keyOf(one)]?.statement ?? "Not in any framework we have."}
            </p>
          </li>
        ))}
      </ul>
      <TextInput
        aria-label="Find a standard"
        placeholder="Words or a code …"
        className="mt-2"
        maxLength={120}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      {free.length > 0 && (
        <>
          {!typed.trim() && <p className="mt-2 text-[13px] text-ink-soft">Suggested from its words:</p>}
          <ul aria-label="Standards to add" className="mt-1 grid gap-1">
            {free.map((offer) => (
              <li key={keyOf(offer)}>
                <button
                  type="button"
                  title={`${offer.frameworkName}: ${offer.statement}`}
                  disabled={standards.length >= MOST}
                  className="flex w-full items-baseline gap-2 rounded-[4px] px-1 py-1 text-left text-[13px] hover:bg-shade disabled:opacity-50"
                  onClick={() => add(offer)}
                >
                  <Plus size={13} aria-hidden className="shrink-0 self-center" />
                  <span className="numbers shrink-0 font-semibold">{offer.code}</span>
                  <span className="line-clamp-2">{offer.statement}</span>
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
      {typed.trim() && answered && free.length === 0 && (
        <p className="mt-2 text-[13px] text-ink-soft">
          {found.offers ? "Nothing found. Try another word." : "No answer just now. Try again when you are online."}
        </p>
      )}
      <Button size="small" look="quiet" className="mt-1" onClick={() => setTree(true)}>
        Choose from the tree
      </Button>
      {tree && (
        <StandardsTree
          resource={resource}
          named={standards.map(({ framework }) => framework)}
          grades={grades}
          has={has}
          onAdd={add}
          onRemove={(offer) =>
            put(
              standards.filter(
                ({ framework, code }) =>
                  code !== offer.code || (framework !== offer.framework && framework !== offer.frameworkName),
              ),
            )
          }
          onClose={() => setTree(false)}
        />
      )}
    </section>
  );
}
