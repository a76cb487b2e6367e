"use client";
import { Plus, Trash2 } from "lucide-react";
import { useState } from "react";
import { Rubric, worthOf } from "@/core/marking/rubric";
import { keepRubric } from "@/screens/acts/marking";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Field, TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { Notice } from "@/ui/notice";

const newId = () => crypto.randomUUID().slice(0, 13);

/** A rubric written or changed: criteria, each with its levels, the lowest first. */
export function RubricDialog({
  start,
  replaces,
  onKept,
  onAway,
  onClose,
}: {
  start: Rubric;
  /** The rubric that is changed; null: a new one. */
  replaces: number | null;
  onKept: (rubric: number) => void;
  /** Puts it away; undefined: it cannot be. */
  onAway: (() => void) | undefined;
  onClose: () => void;
}) {
  const [rubric, setRubric] = useState(start);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const { criteria } = rubric;
  const change = (at: number, more: Partial<Rubric["criteria"][number]>) =>
    setRubric({ ...rubric, criteria: criteria.map((one, place) => (place === at ? { ...one, ...more } : one)) });
  const changeLevel = (at: number, place: number, more: Partial<Rubric["criteria"][number]["levels"][number]>) =>
    change(at, { levels: criteria[at]!.levels.map((one, nth) => (nth === place ? { ...one, ...more } : one)) });
  const keep = async () => {
    const [only] = criteria;
    // One criterion and no name of its own: it is what the rubric is called.
    const named =
      criteria.length === 1 && !only!.name.trim() ? { ...rubric, criteria: [{ ...only!, name: rubric.name }] } : rubric;
    const read = Rubric.safeParse(named);
    if (!read.success) return setProblem(read.error.issues[0]!.message);
    setBusy(true);
    const outcome = await keepRubric({ content: read.data, replaces });
    setBusy(false);
    if (outcome.ok) onKept(outcome.value.rubric);
    else setProblem(outcome.problem);
  };
  return (
    <Dialog open wide onOpenChange={(open) => !open && onClose()} title={replaces ? "Change the rubric" : "New rubric"}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <Field label="Name">
          {(props) => (
            <TextInput
              {...props}
              autoFocus
              maxLength={120}
              value={rubric.name}
              onChange={(event) => setRubric({ ...rubric, name: event.target.value })}
            />
          )}
        </Field>
        {criteria.map((criterion, at) => (
          <div key={criterion.id} className="grid gap-1.5">
            <div className="flex items-end gap-2">
              <Field label={criteria.length > 1 ? `Criterion ${at + 1}` : "Criterion"} className="flex-1">
                {(props) => (
                  <TextInput
                    {...props}
                    maxLength={120}
                    value={criterion.name}
                    onChange={(event) => change(at, { name: event.target.value })}
                  />
                )}
              </Field>
              <IconButton
                name={`Remove ${criterion.name || `criterion ${at + 1}`}`}
                disabled={criteria.length === 1}
                onClick={() => setRubric({ ...rubric, criteria: criteria.filter((_, place) => place !== at) })}
              >
                <Trash2 size={16} aria-hidden />
              </IconButton>
            </div>
            <ul className="grid gap-1">
              {criterion.levels.map((level, place) => (
                <li key={place} className="grid grid-cols-[9rem_4.5rem_1fr_auto] gap-2 pl-4 max-md:grid-cols-2">
                  <TextInput
                    aria-label={`Level ${place + 1}`}
                    maxLength={60}
                    value={level.name}
                    onChange={(event) => changeLevel(at, place, { name: event.target.value })}
                  />
                  <TextInput
                    type="number"
                    aria-label={`Marks for level ${place + 1}`}
                    className="numbers"
                    min={0}
                    max={100}
                    step={0.5}
                    value={Number.isFinite(level.marks) ? level.marks : ""}
                    onChange={(event) => changeLevel(at, place, { marks: event.target.valueAsNumber })}
                  />
                  <TextInput
                    aria-label={`What level ${place + 1} looks like`}
                    placeholder="What it looks like"
                    maxLength={400}
                    value={level.words}
                    onChange={(event) => changeLevel(at, place, { words: event.target.value })}
                  />
                  <IconButton
                    name={`Remove level ${place + 1}`}
                    disabled={criterion.levels.length <= 2}
                    onClick={() => change(at, { levels: criterion.levels.filter((_, nth) => nth !== place) })}
                  >
                    <Trash2 size={16} aria-hidden />
                  </IconButton>
                </li>
              ))}
            </ul>
            <div className="pl-4">
              <Button
                look="quiet"
                size="small"
                onClick={() =>
                  change(at, {
                    levels: [
                      ...criterion.levels,
                      { name: "", marks: (criterion.levels.at(-1)?.marks || 0) + 1, words: "" },
                    ],
                  })
                }
              >
                <Plus size={14} aria-hidden /> Level
              </Button>
            </div>
          </div>
        ))}
        <div>
          <Button
            size="small"
            onClick={() =>
              setRubric({
                ...rubric,
                // The same levels again: that is what she mostly wants.
                criteria: [
                  ...criteria,
                  { id: newId(), name: "", levels: criteria.at(-1)!.levels.map((one) => ({ ...one, words: "" })) },
                ],
              })
            }
          >
            <Plus size={14} aria-hidden /> Criterion
          </Button>
        </div>
        {problem && <Notice tone="warning">{problem}</Notice>}
        {replaces !== null && (
          <p className="text-[13px] text-ink-soft">Marks you have given by it already stay as they are.</p>
        )}
        <div className="flex items-center justify-end gap-3">
          <span className="numbers mr-auto text-ink-soft">
            {criteria.every(({ levels }) => levels.every(({ marks }) => Number.isFinite(marks))) &&
              `Out of ${worthOf(rubric)}`}
          </span>
          {onAway && (
            <Button look="quiet" onClick={onAway}>
              Put away
            </Button>
          )}
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" look="main" disabled={busy}>
            Save
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
