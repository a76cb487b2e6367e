"use client";
import { headingAt, headingsOf } from "@/core/question/types/note-page/fields";
import { noteTemplates } from "@/core/content/vocabulary";
import { inLanguage } from "@/core/content/language";
import { Field, inputClasses, TextInput } from "@/ui/field";
import { replaced, type EditorProps } from "./editor-props";
import { NumberBox } from "./number-box";
import { OptionList } from "./option-list";

export function PollEditor({ question, languages, newId, onChange }: EditorProps<"poll">) {
  const { options } = question;
  return (
    <OptionList
      name="Answer"
      pictures
      options={options}
      languages={languages}
      onText={(option) => onChange({ ...question, options: replaced(options, option) }, `option-${option.id}`)}
      onAdd={() => onChange({ ...question, options: [...options, { id: newId(), text: { [languages[0]!]: "" } }] })}
      onRemove={(id) => onChange({ ...question, options: options.filter((option) => option.id !== id) })}
    />
  );
}

export function PhotoEditor({ question, onChange }: EditorProps<"photo">) {
  return (
    <Field label="Most photographs" className="w-40">
      {(control) => (
        <NumberBox
          {...control}
          least={1}
          most={6}
          whole
          value={question.most}
          onNumber={(most) => onChange({ ...question, most }, `most-${question.id}`)}
        />
      )}
    </Field>
  );
}

/** How long what is recorded may be. */
function Longest({
  most,
  longest,
  onLongest,
}: {
  most: number;
  longest: number;
  onLongest: (seconds: number) => void;
}) {
  return (
    <Field label="Longest recording (seconds)" className="w-40">
      {(control) => <NumberBox {...control} least={5} most={most} whole value={longest} onNumber={onLongest} />}
    </Field>
  );
}

export const SpeechEditor = ({ question, onChange }: EditorProps<"speech">) => (
  <Longest
    most={600}
    longest={question.longest}
    onLongest={(longest) => onChange({ ...question, longest }, `longest-${question.id}`)}
  />
);

export const ClipEditor = ({ question, onChange }: EditorProps<"clip">) => (
  <Longest
    most={180}
    longest={question.longest}
    onLongest={(longest) => onChange({ ...question, longest }, `longest-${question.id}`)}
  />
);

const templateNames: Record<(typeof noteTemplates)[number], string> = {
  blank: "a blank page",
  "two columns": "two columns and a sentence",
  compare: "compare and contrast",
  sequence: "one after another",
  "word map": "word map",
  "data table": "table of data",
};
const countNames: Partial<Record<(typeof noteTemplates)[number], string>> = {
  "two columns": "Rows",
  sequence: "Boxes",
  "word map": "Bubbles",
  "data table": "Rows",
};

/** Which page, how large, and what stands over its parts. */
export function NotePageEditor({ question, languages, onChange }: EditorProps<"notePage">) {
  const language = languages[0]!;
  const { template, headings } = question;
  const many = headingsOf(question);
  const write = (at: number, text: string) => {
    const next = Array.from({ length: Math.max(many, at + 1) }, (_, nth) => headings[nth] ?? {});
    onChange(
      { ...question, headings: next.with(at, { ...next[at], [language]: text }) },
      `heading-${question.id}-${at}`,
    );
  };
  return (
    <div className="grid gap-3">
      <div className="flex flex-wrap gap-3">
        <Field label="Page" className="w-56">
          {(control) => (
            <select
              {...control}
              className={inputClasses}
              value={template}
              onChange={(event) =>
                onChange({ ...question, template: event.target.value as typeof template, headings: [] })
              }
            >
              {noteTemplates.map((one) => (
                <option key={one} value={one}>
                  {templateNames[one]}
                </option>
              ))}
            </select>
          )}
        </Field>
        {countNames[template] && (
          <Field label={countNames[template]} className="w-20">
            {(control) => (
              <NumberBox
                {...control}
                least={1}
                most={12}
                whole
                value={question.count}
                onNumber={(count) => onChange({ ...question, count }, `count-${question.id}`)}
              />
            )}
          </Field>
        )}
        {template === "data table" && (
          <Field label="Columns" className="w-20">
            {(control) => (
              <NumberBox
                {...control}
                least={2}
                most={8}
                whole
                value={many}
                onNumber={(columns) =>
                  onChange({
                    ...question,
                    headings: Array.from({ length: columns }, (_, at) => headings[at] ?? {}),
                  })
                }
              />
            )}
          </Field>
        )}
      </div>
      {many > 0 && (
        <div className="grid grid-cols-2 gap-2">
          {Array.from({ length: many }, (_, at) => (
            <TextInput
              key={at}
              aria-label={`Heading ${at + 1}`}
              value={inLanguage(headings[at], languages) ?? ""}
              placeholder={headingAt(question, at, languages)}
              maxLength={120}
              onChange={(event) => write(at, event.target.value)}
            />
          ))}
        </div>
      )}
    </div>
  );
}
