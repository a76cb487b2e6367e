"use client";
import { useEffect, useState, useTransition } from "react";
import { rosterFields, type RosterField } from "@/core/roster/read-roster";
import type { Class } from "@/data/classes/classes";
import { bringInPasted, lookAtPasted } from "@/screens/acts/roster";
import { useDone } from "@/screens/use-done";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Field, inputClasses } from "@/ui/field";
import { Notice } from "@/ui/notice";

type Seen = Extract<Awaited<ReturnType<typeof lookAtPasted>>, { ok: true }>["value"];

const SETTLE_MS = 300;

/** Names typed, or a table pasted from a spreadsheet: understood, shown, and only then brought in. */
export function PasteDialog({ group, onClose }: { group: Class; onClose: () => void }) {
  const [text, setText] = useState("");
  const [columns, setColumns] = useState<(RosterField | null)[] | null>(null);
  const [seen, setSeen] = useState<{ text: string; value: Seen } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const formatDone = useDone();
  useEffect(() => {
    if (!text.trim()) return;
    let wanted = true;
    const timer = setTimeout(() => {
      void lookAtPasted({ class: group.id, text, columns }).then((outcome) => {
        if (!wanted) return;
        setProblem(outcome.ok ? null : outcome.problem);
        if (outcome.ok) setSeen({ text, value: outcome.value });
      });
    }, SETTLE_MS);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [text, columns, group.id]);
  const shown = text.trim() && seen ? seen.value : null;
  const bringIn = () =>
    start(async () => {
      const outcome = await bringInPasted({ class: group.id, text, columns });
      if (!outcome.ok) return setProblem(outcome.problem);
      const { event, added, changed, enrolled, leftOut } = outcome.value;
      onClose();
      const left = leftOut > 0 ? ` ${leftOut} lines were skipped.` : "";
      const said = [
        ...(enrolled > 0 ? [`${enrolled} came into ${group.name}, ${added} of them new here.`] : []),
        ...(changed > 0 ? [`${changed} changed.`] : []),
      ];
      formatDone(said.join(" ") + left, event);
    });
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={`Add students to ${group.name}`}>
      <div className="grid gap-4">
        <Field
          label="Type names, one a line, or paste a table from a spreadsheet"
          help="Columns are recognised: names, grade, number, language at home, languages, reading grade, more time. Paste the table again later: what changed is brought up to date."
        >
          {(control) => (
            <textarea
              {...control}
              rows={6}
              className={`${inputClasses} py-2 font-mono text-[13px]`}
              placeholder={"Aisha Bello\nBo Tideman"}
              value={text}
              onChange={(event) => {
                setText(event.target.value);
                setColumns(null);
              }}
            />
          )}
        </Field>
        {problem && <Notice tone="warning">{problem}</Notice>}
        {shown && shown.columns.length > 1 && (
          <div className="flex flex-wrap gap-3">
            {shown.columns.map((field, at) => (
              <label key={at} className="grid gap-1 text-[13px] text-ink-soft">
                {shown.headings?.[at] || `Column ${at + 1}`}
                <select
                  className={`${inputClasses} !w-auto`}
                  value={field ?? ""}
                  onChange={(event) =>
                    setColumns(
                      shown.columns.map((one, nth) =>
                        nth === at ? ((event.target.value || null) as RosterField | null) : one,
                      ),
                    )
                  }
                >
                  <option value="">not used</option>
                  {rosterFields.map((one) => (
                    <option key={one} value={one}>
                      {one}
                    </option>
                  ))}
                </select>
              </label>
            ))}
          </div>
        )}
        {shown && (
          <div aria-live="polite">
            <p>
              <strong>{shown.students}</strong> {shown.students === 1 ? "student" : "students"} read: {shown.fresh} new,{" "}
              {Math.max(0, shown.joining)} known here who join,{" "}
              {shown.changed.length > 0 && `${shown.changed.length} changed, `}
              {shown.problemCount} {shown.problemCount === 1 ? "line" : "lines"} not read.
            </p>
            <p className="text-[13px] text-ink-soft">
              {shown.sample.map(({ givenName, familyName }) => `${givenName} ${familyName}`).join(", ")}
              {shown.students > shown.sample.length && " …"}
            </p>
            {shown.changed.length > 0 && (
              <p className="text-[13px]">Changed: {shown.changed.slice(0, 12).join(", ")}</p>
            )}
            {shown.problems.length > 0 && (
              <ul className="mt-2 max-h-36 overflow-auto rounded-card border border-clay/40 p-2 text-[13px]">
                {shown.problems.map(({ line, text: why, row }) => (
                  <li key={line}>
                    <strong>Line {line}:</strong> {why} <span className="text-ink-soft">{row}</span>
                  </li>
                ))}
              </ul>
            )}
          </div>
        )}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button
            look="main"
            disabled={busy || !shown || seen?.text !== text || shown.students === 0 || shown.nothing}
            onClick={bringIn}
          >
            {busy
              ? "One moment …"
              : shown?.nothing && shown.students > 0
                ? "Everyone is already here"
                : `Bring in${shown ? ` ${shown.students}` : ""}`}
          </Button>
        </div>
      </div>
    </Dialog>
  );
}
