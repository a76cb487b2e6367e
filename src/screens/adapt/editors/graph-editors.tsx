"use client";
import { Plus, X } from "lucide-react";
import { inLanguage } from "@/core/content/language";
import { nearestMark } from "@/core/content/scale";
import { Button } from "@/ui/button";
import { Field, inputClasses } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { LineView, PointsView } from "@/screens/step/questions/graph";
import type { EditorProps } from "./editor-props";
import { AxisFields } from "./axis-fields";
import { NumberBox } from "./number-box";

function Tolerance({ value, onValue }: { value: number; onValue: (value: number) => void }) {
  return (
    <Field label="Accepted margin" className="w-36">
      {(control) => <NumberBox {...control} least={0} most={10_000} value={value} onNumber={onValue} />}
    </Field>
  );
}

export function LineEditor({ question, languages, onChange }: EditorProps<"line">) {
  return (
    <div className="grid gap-3">
      <AxisFields
        name=""
        axis={question.axis}
        onAxis={(axis, kind) => onChange({ ...question, axis, right: nearestMark(axis, question.right) }, kind)}
      />
      <p id={`${question.id}-right`} className="text-[13px] text-ink-soft">
        Click the right place.
      </p>
      <LineView
        question={question}
        value={question.right}
        readOnly={false}
        parts={{}}
        languages={languages}
        labelledBy={`${question.id}-right`}
        onChange={(right) => onChange({ ...question, right }, `right-${question.id}`)}
      />
      <Tolerance
        value={question.tolerance}
        onValue={(tolerance) => onChange({ ...question, tolerance }, `tolerance-${question.id}`)}
      />
    </div>
  );
}

export function BarsEditor({ question, languages, newId, onChange }: EditorProps<"bars">) {
  const { axis, bars } = question;
  const language = languages[0]!;
  const put = (id: string, change: object, kind: string) =>
    onChange({ ...question, bars: bars.map((bar) => (bar.id === id ? { ...bar, ...change } : bar)) }, kind);
  return (
    <div className="grid gap-3">
      <AxisFields name="" axis={axis} onAxis={(next, kind) => onChange({ ...question, axis: next }, kind)} />
      <ul className="grid gap-2">
        {bars.map((bar, at) => (
          <li key={bar.id} className="flex items-end gap-2">
            <input
              type="text"
              aria-label={`Bar ${at + 1}`}
              placeholder={`Bar ${at + 1}`}
              maxLength={60}
              value={inLanguage(bar.text, languages) ?? ""}
              onChange={(event) =>
                put(bar.id, { text: { ...bar.text, [language]: event.target.value } }, `bar-${bar.id}`)
              }
              className={`${inputClasses} font-child`}
            />
            <NumberBox
              aria-label={`Right height of bar ${at + 1}`}
              least={axis.from}
              most={axis.to}
              value={bar.right}
              onNumber={(right) => put(bar.id, { right }, `height-${bar.id}`)}
            />
            <IconButton
              name={`Remove bar ${at + 1}`}
              small
              disabled={bars.length === 1}
              onClick={() => onChange({ ...question, bars: bars.filter((one) => one.id !== bar.id) })}
            >
              <X size={15} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ul>
      <div>
        <Button
          size="small"
          look="quiet"
          disabled={bars.length >= 12}
          onClick={() =>
            onChange({
              ...question,
              bars: [...bars, { id: newId(), text: { [language]: "" }, right: axis.from, tolerance: 0 }],
            })
          }
        >
          <Plus size={15} aria-hidden /> Bar
        </Button>
      </div>
    </div>
  );
}

export function PointsEditor({ question, languages, onChange }: EditorProps<"points">) {
  return (
    <div className="grid gap-3">
      <AxisFields name="Across" axis={question.x} onAxis={(x, kind) => onChange({ ...question, x, right: [] }, kind)} />
      <AxisFields name="Up" axis={question.y} onAxis={(y, kind) => onChange({ ...question, y, right: [] }, kind)} />
      <p id={`${question.id}-right`} className="text-[13px] text-ink-soft">
        Click each right point.
      </p>
      <PointsView
        question={question}
        value={question.right}
        readOnly={false}
        parts={{}}
        languages={languages}
        labelledBy={`${question.id}-right`}
        onChange={(right) => onChange({ ...question, right: right.slice(0, 30) })}
      />
      <Tolerance
        value={question.tolerance}
        onValue={(tolerance) => onChange({ ...question, tolerance }, `tolerance-${question.id}`)}
      />
    </div>
  );
}
