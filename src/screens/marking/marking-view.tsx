"use client";
import { clsx } from "clsx";
import { Check } from "lucide-react";
import { useSearchParams } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { inLanguage } from "@/core/content/language";
import { plainText } from "@/core/content/rich-text";
import { marksFor, worthOf } from "@/core/marking/rubric";
import { markedByPerson } from "@/core/question/mark";
import { worth } from "@/core/results/correction";
import type { ResultRow, ResultTable } from "@/core/results/table";
import type { KeptCorrection } from "@/data/results/corrections";
import { settleMark } from "@/screens/acts/marking";
import type { Marking } from "@/server/marking/marking";
import { BlankSelect } from "@/ui/blank-select";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { Key } from "@/ui/key";
import { useKeys } from "@/ui/keys";
import { tellProblem } from "@/ui/toast";
import { Phrases, withPhrase } from "../review/phrases";
import { AnswerView } from "../step/question-view";
import { Rich } from "../step/rich";
import { LevelChoice, MarkChoice } from "./level-choice";
import { AgreementNote, OtherMarks } from "./second-opinion";
import { useMarks, type Draft, type MarkedAnswer } from "./use-marks";
import { WayChoice } from "./way-choice";

const firstName = (name: string) => name.split(" ")[0]!;
const saidState = { saved: "Saved", saving: "Saving …", "not saved": "Not saved" } as const;

/** Questions of a table that only a person can mark. */
export const questionsToMark = ({ questions }: ResultTable) =>
  questions.filter(({ question }) => markedByPerson(question.type));

/** Marks given by a person: the list, the work, and beside it the rubric, by keys. */
export function MarkingView({
  assignment,
  table,
  rows,
  marking,
  corrections,
  onLeave,
}: {
  assignment: number;
  table: ResultTable;
  rows: readonly ResultRow[];
  marking: Marking;
  corrections: readonly KeptCorrection[];
  onLeave: () => void;
}) {
  const questions = questionsToMark(table);
  const parameters = useSearchParams();
  const [asked, setAsked] = useState(() => parameters.get("question"));
  const [chosen, setChosen] = useState(() => Number(parameters.get("student")));
  const [turn, setTurn] = useState(0);
  const comment = useRef<HTMLTextAreaElement>(null);
  const here = useRef<HTMLButtonElement>(null);
  const piece = useRef<HTMLElement>(null);
  const marks = useMarks(assignment, marking);
  const entry = questions.find(({ id }) => id === asked) ?? questions[0];
  const way = (entry && marking.ways[entry.id]) ?? null;
  const outOf = way
    ? worthOf(way.content)
    : entry
      ? worth(
          entry.question.marks,
          corrections.filter((one) => one.question === entry.id).map((one) => one.correction),
        )
      : 0;
  const answers = entry ? rows.filter((row) => row.state === "handed in" && row.cells[entry.id]) : [];
  const answerOf = (row: ResultRow): MarkedAnswer => ({
    student: row.student.id,
    number: row.tryNumber!,
    question: entry!.id,
  });
  const markOf = (row: ResultRow): number | null => {
    const { before, levels, marks: own } = marks.of(answerOf(row));
    return before ? before.marks : way ? marksFor(way.content, levels) : own;
  };
  const at = Math.max(
    0,
    answers.findIndex(({ student }) => student.id === chosen),
  );
  const row = answers[at];
  useEffect(() => void here.current?.scrollIntoView({ block: "nearest" }), [row?.student.id]);
  // Keys are for the work from the first on, wherever she came from.
  useEffect(() => piece.current?.focus(), []);

  /** In the address as well, without asking the server: everything is here. The next key is for what was chosen last. */
  const place = (name: "student" | "question", value: number | string) => {
    const next = new URLSearchParams(window.location.search);
    next.set(name, String(value));
    window.history.replaceState(null, "", `?${next}`);
    setTurn(0);
  };
  const choose = (next: ResultRow | undefined) => {
    if (!next) return;
    setChosen(next.student.id);
    place("student", next.student.id);
  };
  const ask = (id: string) => {
    setAsked(id);
    place("question", id);
  };
  const nextToMark = () =>
    choose([...answers.slice(at + 1), ...answers.slice(0, at)].find((one) => markOf(one) === null));
  const said = ({ levels, marks: own }: Draft) => {
    const sum = way ? marksFor(way.content, levels) : own;
    return sum === null || !row ? null : `${row.student.name}: ${sum} of ${outOf}.`;
  };
  const chooseLevel = (criterion: number, level: number) => {
    const one = way?.content.criteria[criterion];
    if (!row || !one?.levels[level]) return;
    const { levels } = marks.of(answerOf(row));
    marks.give(answerOf(row), { levels: { ...levels, [one.id]: level } }, said);
    setTurn(Math.min(criterion + 1, way!.content.criteria.length - 1));
  };
  const giveMarks = (value: number) => {
    if (row && value <= outOf) marks.give(answerOf(row), { marks: value }, said);
  };
  const moveQuestion = (by: number) => {
    const next = questions[questions.findIndex(({ id }) => id === entry?.id) + by];
    if (next) ask(next.id);
  };
  const digits = way
    ? Array.from({ length: 8 }, (_, level) => [String(level + 1), () => chooseLevel(turn, level)])
    : Array.from({ length: 10 }, (_, value) => [String(value), () => giveMarks(value)]);
  useKeys({
    j: () => choose(answers[at + 1]),
    k: () => choose(answers[at - 1]),
    ArrowDown: () => setTurn(Math.min(turn + 1, (way?.content.criteria.length ?? 1) - 1)),
    ArrowUp: () => setTurn(Math.max(turn - 1, 0)),
    ArrowRight: () => moveQuestion(1),
    ArrowLeft: () => moveQuestion(-1),
    // A button that was reached by keys is pressed by Enter, as everywhere.
    Enter: () => (document.activeElement?.matches("button:focus-visible") ? false : nextToMark()),
    c: () => comment.current?.focus(),
    Escape: onLeave,
    ...(Object.fromEntries(digits) as Record<string, () => void>),
  });
  if (!entry || !row)
    return (
      <Empty title="Nothing to mark yet">
        <p>What children write, draw, photograph or say appears here when they hand it in.</p>
      </Empty>
    );
  const languages = Object.keys(entry.question.prompt);
  const cell = row.cells[entry.id]!;
  const answer = answerOf(row);
  const draft = marks.of(answer);
  const standing = marking.standing.filter(({ question }) => question === entry.id);
  const seen = standing.find(({ student, number }) => student === answer.student && number === answer.number);
  const done = answers.filter((one) => markOf(one) !== null).length;
  const blank = cell.mark.verdict === "blank" || (!cell.said && cell.made === null);
  return (
    <div className="grid h-full grid-cols-[210px_minmax(0,1fr)_330px] max-lg:h-auto max-lg:grid-cols-1">
      <section aria-label="Answers" className="flex min-h-0 flex-col border-r border-line max-lg:max-h-52">
        {questions.length > 1 && (
          <p className="border-b border-line px-3 py-2 text-[13px]">
            <BlankSelect
              name="Question"
              value={entry.id}
              options={questions.map(({ id, label, question }, nth) => ({
                value: id,
                text: `${nth + 1}. ${plainText(inLanguage(question.prompt, languages)).slice(0, 60) || label}`,
              }))}
              onChange={ask}
            />
          </p>
        )}
        <p className="numbers border-b border-line px-3 py-1.5 text-[13px] text-ink-soft" role="status">
          {done} of {answers.length} marked
        </p>
        <ul className="min-h-0 flex-1 overflow-auto">
          {answers.map((one) => {
            const sum = markOf(one);
            const on = one === row;
            return (
              <li key={one.student.id}>
                <button
                  ref={on ? here : null}
                  type="button"
                  aria-current={on || undefined}
                  onClick={() => choose(one)}
                  className={clsx(
                    "flex w-full items-baseline justify-between gap-2 px-3 py-1.5 text-left",
                    on ? "bg-shade font-semibold shadow-[inset_2px_0_0_var(--ink)]" : "hover:bg-shade/60",
                  )}
                >
                  <span className="truncate">{one.student.name}</span>
                  <span className="numbers text-[13px] text-ink-soft">
                    {sum === null ? (one.cells[entry.id]!.mark.verdict === "blank" ? "blank" : "") : sum}
                  </span>
                </button>
              </li>
            );
          })}
        </ul>
        <AgreementNote standing={standing} rubric={way} />
      </section>
      <section
        ref={piece}
        tabIndex={-1}
        aria-label={`What ${row.student.name} did`}
        className="min-h-0 overflow-auto p-5 outline-none"
      >
        <div className="flex items-baseline justify-between gap-3">
          <h2 className="font-serif text-[21px]">{row.student.name}</h2>
          <span className="numbers text-[13px] text-ink-soft">
            {at + 1} of {answers.length}
            {row.tries > 1 && ` · try ${row.tryNumber}`}
          </span>
        </div>
        <Rich
          text={inLanguage(entry.question.prompt, languages)}
          className="mt-1 font-child text-[15px] text-ink-soft"
        />
        <div className="mt-4 font-child text-[17px] leading-relaxed">
          {blank ? (
            <p className="text-ink-soft">No answer.</p>
          ) : cell.made !== null ? (
            <AnswerView question={entry.question} value={cell.made} languages={languages} name={cell.said} />
          ) : (
            <p className="whitespace-pre-wrap [overflow-wrap:anywhere]">{cell.said}</p>
          )}
        </div>
      </section>
      <section
        aria-label={`Marks for ${row.student.name}`}
        className="flex min-h-0 flex-col border-l border-line max-lg:border-l-0"
      >
        <div className="grid min-h-0 flex-1 auto-rows-min gap-3 overflow-auto p-4">
          <WayChoice
            {...{ assignment, way }}
            question={entry.id}
            worth={way ? entry.question.marks : outOf}
            rubrics={marking.rubrics}
            me={marking.me}
          />
          {draft.before && (
            <p className="numbers text-[13px] text-ink-soft">
              You gave {draft.before.marks} of {draft.before.outOf} before this was changed. That stays until you mark
              it again.
            </p>
          )}
          {way ? (
            <LevelChoice
              rubric={way.content}
              levels={draft.levels}
              inTurn={turn}
              onTurn={setTurn}
              onLevel={chooseLevel}
            />
          ) : (
            <MarkChoice worth={outOf} marks={draft.marks} onMarks={giveMarks} />
          )}
          <OtherMarks
            seen={seen}
            me={marking.me}
            rubric={way}
            onSettle={(marker) =>
              void settleMark({ assignment, ...answer, marker }).then(
                (outcome) => !outcome.ok && tellProblem(outcome.problem),
              )
            }
          />
          <h3 className="border-t border-line pt-3 font-serif text-[17px]">
            What I say to {firstName(row.student.name)}
          </h3>
          <Phrases
            phrases={marking.phrases}
            comment={draft.comment}
            keyed={false}
            onPhrase={(nth) => marks.say(answer, withPhrase(draft.comment, marking.phrases[nth]!))}
          />
          <textarea
            ref={comment}
            aria-label={`What I say to ${firstName(row.student.name)}`}
            aria-keyshortcuts="c"
            maxLength={1000}
            rows={3}
            value={draft.comment}
            onChange={(event) => marks.say(answer, event.target.value)}
            onKeyDown={(event) => event.key === "Escape" && event.currentTarget.blur()}
            className="w-full rounded-card border border-line-strong bg-card px-3 py-2 font-child text-[16px]"
          />
        </div>
        <p className="flex items-center justify-between gap-2 border-t border-line px-4 py-2 text-[13px] text-ink-soft">
          <span>
            <Key>Enter</Key> next to mark · <Key>c</Key> write · <Key>u</Key> undo
          </span>
          <span className="inline-flex items-center gap-1" role="status">
            {marks.state === "saved" && <Check size={13} aria-hidden />}
            {marks.state === "not saved" ? (
              <strong className="text-clay">{saidState[marks.state]}</strong>
            ) : (
              saidState[marks.state]
            )}
          </span>
          {marks.state === "not saved" && (
            <Button size="small" onClick={marks.again}>
              Save again
            </Button>
          )}
        </p>
      </section>
    </div>
  );
}
