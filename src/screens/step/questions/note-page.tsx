"use client";
import { clsx } from "clsx";
import { ArrowDown } from "lucide-react";
import { Fragment } from "react";
import { fieldsOf, headingAt, headingsOf, type NoteField } from "@/core/question/types/note-page/fields";
import { target, type QuestionProps } from "./props";

/** A page for notes: every part of it is a field, named for those who do not see where it stands. */
export function NotePageView({
  question,
  value = {},
  onChange,
  readOnly,
  languages,
  labelledBy,
}: QuestionProps<"notePage">) {
  const fields = fieldsOf(question, languages);
  const heading = (at: number) => headingAt(question, at, languages);
  const field = (one: NoteField, rows: number, look = "") => (
    <textarea
      key={one.id}
      aria-label={one.name}
      value={value[one.id] ?? ""}
      readOnly={readOnly}
      rows={rows}
      maxLength={4000}
      onChange={(event) => onChange({ ...value, [one.id]: event.target.value })}
      className={clsx(target, "w-full resize-y border-line-strong py-2 leading-snug", look)}
    />
  );
  const named = (one: NoteField, rows: number) => (
    <div key={one.id} className="grid content-start gap-1">
      <p aria-hidden className="font-semibold">
        {one.name}
      </p>
      {field(one, rows)}
    </div>
  );
  const page = () => {
    switch (question.template) {
      case "blank":
        return fields.map((one) => named(one, 12));
      case "two columns":
        return (
          <>
            <div className="grid grid-cols-2 gap-x-4 gap-y-2">
              <p aria-hidden className="font-semibold">
                {heading(0)}
              </p>
              <p aria-hidden className="font-semibold">
                {heading(1)}
              </p>
              {fields.slice(0, -1).map((one) => field(one, 2))}
            </div>
            {named(fields.at(-1)!, 2)}
          </>
        );
      case "compare":
        return <div className="grid gap-3 sm:grid-cols-3">{fields.map((one) => named(one, 8))}</div>;
      case "sequence":
        return fields.map((one, at) => (
          <Fragment key={one.id}>
            {at > 0 && <ArrowDown size={20} aria-hidden className="mx-auto text-ink-soft" />}
            <div className="grid grid-cols-[auto_1fr] items-center gap-3">
              <span aria-hidden className="numbers w-6 text-right font-semibold">
                {one.name}
              </span>
              {field(one, 2)}
            </div>
          </Fragment>
        ));
      case "word map": {
        const [centre, ...around] = fields;
        const half = Math.ceil(around.length / 2);
        return (
          <div className="grid gap-3">
            <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
              {around.slice(0, half).map((one) => field(one, 2))}
            </div>
            <div className="mx-auto w-full max-w-xs text-center">
              {field(centre!, 1, "border-green text-center font-semibold")}
              <p aria-hidden className="text-[0.85em] text-ink-soft">
                {heading(0)}
              </p>
            </div>
            <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
              {around.slice(half).map((one) => field(one, 2))}
            </div>
          </div>
        );
      }
      case "data table": {
        const columns = headingsOf(question);
        return (
          <div className="overflow-x-auto">
            <div className="grid min-w-md gap-1" style={{ gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))` }}>
              {Array.from({ length: columns }, (_, at) => (
                <p key={at} aria-hidden className="font-semibold">
                  {heading(at)}
                </p>
              ))}
              {fields.map((one) => field(one, 1))}
            </div>
          </div>
        );
      }
    }
  };
  return (
    <div role="group" aria-labelledby={labelledBy} className="grid gap-3 rounded-card border border-line bg-paper p-4">
      {page()}
    </div>
  );
}
