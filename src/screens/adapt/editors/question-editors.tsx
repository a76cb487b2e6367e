"use client";
import { later } from "@/ui/later";
import type { ComponentType } from "react";
import { mixed } from "@/core/question/types/order/order";
import { inLanguage } from "@/core/content/language";
import type { Option, QuestionType } from "@/core/question/question";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Field, inputClasses, TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { X } from "lucide-react";
import { replaced, type EditorProps } from "./editor-props";
import { NumberBox } from "./number-box";
import { OptionList } from "./option-list";

// Kinds that few steps have are read when one is there.
const BarsEditor = later(() => import("./graph-editors").then((part) => part.BarsEditor));
const ClipEditor = later(() => import("./made-editors").then((part) => part.ClipEditor));
const CellsEditor = later(() => import("./passage-editors").then((part) => part.CellsEditor));
const GapsEditor = later(() => import("./gaps-editor").then((part) => part.GapsEditor));
const GroupsEditor = later(() => import("./sorting-editors").then((part) => part.GroupsEditor));
const HighlightEditor = later(() => import("./passage-editors").then((part) => part.HighlightEditor));
const LabelsEditor = later(() => import("./sorting-editors").then((part) => part.LabelsEditor));
const LineEditor = later(() => import("./graph-editors").then((part) => part.LineEditor));
const LongTextEditor = later(() => import("./passage-editors").then((part) => part.LongTextEditor));
const NotePageEditor = later(() => import("./made-editors").then((part) => part.NotePageEditor));
const PhotoEditor = later(() => import("./made-editors").then((part) => part.PhotoEditor));
const PlaceEditor = later(() => import("./place-editor").then((part) => part.PlaceEditor));
const PointsEditor = later(() => import("./graph-editors").then((part) => part.PointsEditor));
const UnitList = later(() => import("./unit-list").then((part) => part.UnitList));
const PollEditor = later(() => import("./made-editors").then((part) => part.PollEditor));
const SketchEditor = later(() => import("../drawing/sketch-editor").then((part) => part.SketchEditor));
const SpeechEditor = later(() => import("./made-editors").then((part) => part.SpeechEditor));
const ToolChoice = later(() => import("./manipulative-editor").then((part) => part.ToolChoice));

function ChoiceEditor({ question, languages, newId, onChange }: EditorProps<"choice">) {
  const { options } = question;
  return (
    <OptionList
      name="Option"
      pictures
      options={options}
      languages={languages}
      before={(option, at) => (
        <input
          type="radio"
          name={`right-${question.id}`}
          aria-label={`Option ${at + 1} is right`}
          checked={question.right === option.id}
          onChange={() => onChange({ ...question, right: option.id })}
          className="h-5 w-5 accent-green"
        />
      )}
      onText={(option) => onChange({ ...question, options: replaced(options, option) }, `option-${option.id}`)}
      onAdd={() => onChange({ ...question, options: [...options, { id: newId(), text: { [languages[0]!]: "" } }] })}
      onRemove={(id) =>
        onChange({
          ...question,
          options: options.filter((option) => option.id !== id),
          right: question.right === id ? null : question.right,
        })
      }
    />
  );
}

function ChoicesEditor({ question, languages, newId, onChange }: EditorProps<"choices">) {
  const { options, right } = question;
  return (
    <OptionList
      name="Option"
      pictures
      options={options}
      languages={languages}
      before={(option, at) => (
        <Checkbox
          label={`Option ${at + 1} is right`}
          checked={right.includes(option.id)}
          onChange={(on) =>
            onChange({ ...question, right: on ? [...right, option.id] : right.filter((id) => id !== option.id) })
          }
        />
      )}
      onText={(option) => onChange({ ...question, options: replaced(options, option) }, `option-${option.id}`)}
      onAdd={() => onChange({ ...question, options: [...options, { id: newId(), text: { [languages[0]!]: "" } }] })}
      onRemove={(id) =>
        onChange({
          ...question,
          options: options.filter((option) => option.id !== id),
          right: right.filter((one) => one !== id),
        })
      }
    />
  );
}

function ShortTextEditor({ question, onChange }: EditorProps<"shortText">) {
  return (
    <div className="grid gap-3">
      <Field label="Accepted answers, one a line">
        {(control) => (
          <textarea
            {...control}
            rows={Math.max(2, question.accepted.length + 1)}
            value={question.accepted.map((answer) => answer.text).join("\n")}
            onChange={(event) => {
              const accepted = event.target.value
                .split("\n")
                .slice(0, 30)
                .map((text) => ({
                  text: text.slice(0, 200),
                  share: question.accepted.find((old) => old.text === text)?.share ?? 1,
                }));
              onChange({ ...question, accepted }, `accepted-${question.id}`);
            }}
            className={`${inputClasses} py-2 font-child`}
          />
        )}
      </Field>
      {question.accepted.filter(({ text }) => text.trim()).length > 1 && (
        <ul aria-label="What each answer earns" className="grid gap-1">
          {question.accepted.map(
            (answer, at) =>
              answer.text.trim() && (
                <li key={at} className="flex items-center gap-2">
                  <span className="min-w-0 flex-1 truncate font-child">{answer.text}</span>
                  <select
                    aria-label={`“${answer.text}” earns`}
                    className={`${inputClasses} !w-44`}
                    value={answer.share}
                    onChange={(event) =>
                      onChange({
                        ...question,
                        accepted: question.accepted.map((one, nth) =>
                          nth === at ? { ...one, share: Number(event.target.value) } : one,
                        ),
                      })
                    }
                  >
                    {[...new Set([1, 0.75, 0.5, 0.25, answer.share])].map((share) => (
                      <option key={share} value={share}>
                        {share === 1 ? "all marks" : `${Math.round(share * 100)} % of the marks`}
                      </option>
                    ))}
                  </select>
                </li>
              ),
          )}
        </ul>
      )}
      <div className="flex flex-wrap gap-4">
        {(
          [
            ["ignoreCase", "ignore capitals"],
            ["ignoreAccents", "ignore accents"],
            ["forgiveOneSlip", "allow one typo in long words"],
          ] as const
        ).map(([rule, text]) => (
          <label key={rule} className="flex items-center gap-2">
            <Checkbox
              label={text}
              checked={question.spelling[rule]}
              onChange={(on) => onChange({ ...question, spelling: { ...question.spelling, [rule]: on } })}
            />
            {text}
          </label>
        ))}
      </div>
    </div>
  );
}

function NumberEditor({ question, languages, newId, onChange }: EditorProps<"number">) {
  const { parts } = question;
  const put = (id: string, change: Partial<(typeof parts)[number]>, field: string) =>
    onChange(
      { ...question, parts: parts.map((part) => (part.id === id ? { ...part, ...change } : part)) },
      `${field}-${id}`,
    );
  return (
    <div className="grid gap-3">
      {parts.map((part, at) => (
        <div key={part.id} className="flex flex-wrap items-end gap-3">
          <Field label="Right answer" className="w-28">
            {(control) => (
              <NumberBox {...control} value={part.right} onNumber={(right) => put(part.id, { right }, "right")} />
            )}
          </Field>
          {!part.units && (
            <Field label="Unit after the box" className="w-36">
              {(control) => (
                <TextInput
                  {...control}
                  value={part.unit ?? ""}
                  maxLength={20}
                  onChange={(event) => put(part.id, { unit: event.target.value || undefined }, "unit")}
                />
              )}
            </Field>
          )}
          <Field label="Accepted margin" className="w-28">
            {(control) => (
              <NumberBox
                {...control}
                least={0}
                value={part.tolerance}
                onNumber={(tolerance) => put(part.id, { tolerance }, "tolerance")}
              />
            )}
          </Field>
          <IconButton
            name={`Remove number ${at + 1}`}
            disabled={parts.length === 1}
            onClick={() => onChange({ ...question, parts: parts.filter((one) => one.id !== part.id) })}
          >
            <X size={16} aria-hidden />
          </IconButton>
          <UnitList
            units={part.units}
            first={part.unit ?? ""}
            onUnits={(units) => put(part.id, { units, unit: units ? undefined : part.units?.[0]?.name }, "units")}
          />
        </div>
      ))}
      {parts.length < 6 && (
        <div>
          <Button
            size="small"
            look="quiet"
            onClick={() => onChange({ ...question, parts: [...parts, { id: newId(), right: 0, tolerance: 0 }] })}
          >
            Another number (hours and minutes, say)
          </Button>
        </div>
      )}
      <ToolChoice
        tool={question.tool}
        languages={languages}
        onTool={(tool, kind) => onChange({ ...question, tool }, kind && `${kind}-${question.id}`)}
      />
    </div>
  );
}

function MatchEditor({ question, languages, newId, onChange }: EditorProps<"match">) {
  const language = languages[0]!;
  const { left, right, pairs } = question;
  const partnerOf = (id: string) => right.find((option) => option.id === pairs.find(([from]) => from === id)?.[1]);
  const astray = right.filter((option) => !pairs.some(([, to]) => to === option.id));
  const write = (side: "left" | "right", option: Option, text: string) =>
    onChange(
      { ...question, [side]: replaced(question[side], { ...option, text: { ...option.text, [language]: text } }) },
      `${side}-${option.id}`,
    );
  const box = (name: string, side: "left" | "right", option: Option) => (
    <input
      type="text"
      aria-label={name}
      placeholder={name}
      maxLength={400}
      value={inLanguage(option.text, languages) ?? ""}
      onChange={(event) => write(side, option, event.target.value)}
      className={`${inputClasses} font-child`}
    />
  );
  const addPair = () => {
    const [from, to] = [newId(), newId()];
    const empty = (id: string) => ({ id, text: { [language]: "" } });
    onChange({
      ...question,
      left: [...left, empty(from)],
      right: [empty(to), ...right],
      pairs: [...pairs, [from, to]],
    });
  };
  return (
    <div className="grid gap-2">
      {left.map((item, at) => {
        const partner = partnerOf(item.id);
        return (
          <div key={item.id} className="grid grid-cols-[1fr_auto_1fr_auto] items-center gap-2">
            {box(`Left ${at + 1}`, "left", item)}
            <span aria-hidden>→</span>
            {partner ? box(`Partner ${at + 1}`, "right", partner) : <span />}
            <IconButton
              name={`Remove pair ${at + 1}`}
              small
              disabled={left.length <= 2}
              onClick={() =>
                onChange({
                  ...question,
                  left: left.filter((one) => one.id !== item.id),
                  right: right.filter((one) => one.id !== partner?.id),
                  pairs: pairs.filter(([from]) => from !== item.id),
                })
              }
            >
              <X size={15} aria-hidden />
            </IconButton>
          </div>
        );
      })}
      {astray.map((option, at) => (
        <div key={option.id} className="grid grid-cols-[1fr_auto_1fr_auto] items-center gap-2">
          <span className="text-right text-[13px] text-ink-soft">wrong option</span>
          <span aria-hidden className="invisible">
            →
          </span>
          {box(`Wrong option ${at + 1}`, "right", option)}
          <IconButton
            name={`Remove wrong option ${at + 1}`}
            small
            onClick={() => onChange({ ...question, right: right.filter((one) => one.id !== option.id) })}
          >
            <X size={15} aria-hidden />
          </IconButton>
        </div>
      ))}
      <div className="flex gap-2">
        <Button size="small" look="quiet" onClick={addPair}>
          Another pair
        </Button>
        <Button
          size="small"
          look="quiet"
          onClick={() => onChange({ ...question, right: [...right, { id: newId(), text: { [language]: "" } }] })}
        >
          Add a wrong option
        </Button>
      </div>
    </div>
  );
}

function OrderEditor({ question, languages, newId, onChange }: EditorProps<"order">) {
  const inOrder = question.right.flatMap((id) => question.items.find((item) => item.id === id) ?? []);
  const put = (items: Option[], kind?: string) =>
    onChange({ ...question, items: mixed(items), right: items.map((item) => item.id) }, kind);
  return (
    <div className="grid gap-2">
      <p className="text-[13px] text-ink-soft">Type them in the right order. Students see them shuffled.</p>
      <OptionList
        name="Item"
        options={inOrder}
        languages={languages}
        onText={(option) => onChange({ ...question, items: replaced(question.items, option) }, `item-${option.id}`)}
        onAdd={() => put([...inOrder, { id: newId(), text: { [languages[0]!]: "" } }])}
        onRemove={(id) => put(inOrder.filter((item) => item.id !== id))}
        onMove={(from, to) => {
          const items = [...inOrder];
          items.splice(to, 0, items.splice(from, 1)[0]!);
          put(items);
        }}
      />
    </div>
  );
}

/** The part of a question's editor that is its type's own. */
export const questionEditors: { [Type in QuestionType]: ComponentType<EditorProps<Type>> } = {
  choice: ChoiceEditor,
  choices: ChoicesEditor,
  shortText: ShortTextEditor,
  number: NumberEditor,
  gaps: GapsEditor,
  match: MatchEditor,
  order: OrderEditor,
  longText: LongTextEditor,
  groups: GroupsEditor,
  labels: LabelsEditor,
  line: LineEditor,
  bars: BarsEditor,
  points: PointsEditor,
  place: PlaceEditor,
  highlight: HighlightEditor,
  cells: CellsEditor,
  sketch: SketchEditor,
  poll: PollEditor,
  photo: PhotoEditor,
  speech: SpeechEditor,
  clip: ClipEditor,
  notePage: NotePageEditor,
};
