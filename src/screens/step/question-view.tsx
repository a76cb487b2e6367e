"use client";
import { CheckCircle2, CircleDashed, CircleSlash2, Lightbulb, Loader2 } from "lucide-react";
import { useState, type ReactNode } from "react";
import { feedbackFor } from "@/core/question/feedback";
import { inLanguage } from "@/core/content/language";
import { plainText } from "@/core/content/rich-text";
import type { Question, QuestionType, ResponseValue } from "@/core/question/question";
import { isBlankResponse, type Mark } from "@/core/question/mark";
import { ChoiceView, ChoicesView } from "./questions/choice";
import { ClipView, PhotoView, PollView, SpeechView } from "./questions/made";
import { BarsView, LineView, PointsView } from "./questions/graph";
import { MatchView } from "./questions/match";
import { NotePageView } from "./questions/note-page";
import { OrderView } from "./questions/order";
import { CellsView, HighlightView } from "./questions/passage";
import { PlaceView } from "./questions/place";
import type { QuestionProps } from "./questions/props";
import { SketchView } from "./questions/sketch";
import { GroupsView, LabelsView } from "./questions/sort";
import { GapsView, LongTextView, NumberView, ShortTextView } from "./questions/typed";
import { ReadThis } from "./read-this";
import { Rich } from "./rich";
import { useTranslations } from "use-intl";

const views: { [Type in QuestionType]: (props: QuestionProps<Type>) => ReactNode } = {
  choice: ChoiceView,
  choices: ChoicesView,
  shortText: ShortTextView,
  number: NumberView,
  gaps: GapsView,
  match: MatchView,
  order: OrderView,
  longText: LongTextView,
  groups: GroupsView,
  labels: LabelsView,
  line: LineView,
  bars: BarsView,
  points: PointsView,
  place: PlaceView,
  highlight: HighlightView,
  cells: CellsView,
  sketch: SketchView,
  poll: PollView,
  photo: PhotoView,
  speech: SpeechView,
  clip: ClipView,
  notePage: NotePageView,
};

/** An answer as it was given, to be looked at or listened to. `name` says what it is. */
export function AnswerView({
  question,
  value,
  languages,
  name,
}: {
  question: Question;
  /** Undefined: nothing yet. */
  value: ResponseValue | undefined;
  languages: readonly string[];
  name: string;
}) {
  const View = views[question.type] as (props: QuestionProps<QuestionType>) => ReactNode;
  const id = `${question.id}-given`;
  return (
    <>
      <p id={id} className="heard">
        {name}
      </p>
      <View
        question={question as never}
        value={value}
        onChange={() => undefined}
        readOnly
        languages={languages}
        parts={{}}
        labelledBy={id}
      />
    </>
  );
}

/** What the author wrote about an answer like this one. */
function Told({ feedback, languages }: { feedback: Question["feedback"]; languages: readonly string[] }) {
  if (!feedback) return null;
  const texts = [feedback.right ?? feedback.wrong, feedback.general].map((text) => inLanguage(text, languages));
  return texts.map((text, at) => <Rich key={at} text={text} />);
}

function VerdictLine({ mark, feedback }: { mark: Mark; feedback: ReactNode }) {
  const t = useTranslations("question");
  const parts = Object.keys(mark.parts).length;
  const right = Object.values(mark.parts).filter(Boolean).length;
  const { person } = mark;
  if (person && mark.marks !== null)
    return (
      <div role="status" className="grid gap-1">
        <p className="numbers flex items-center gap-2 font-semibold text-slate">
          <CheckCircle2 size={20} aria-hidden /> {t("marksOf", { marks: mark.marks, outOf: mark.outOf })}
        </p>
        {person.levels && <p className="text-[0.9em]">{person.levels}</p>}
        {person.comment && <p>{t("teacherSays", { comment: person.comment })}</p>}
        {feedback}
      </div>
    );
  const said = {
    right: { icon: <CheckCircle2 size={20} aria-hidden />, text: t("right"), look: "text-green" },
    partly: {
      icon: <CircleDashed size={20} aria-hidden />,
      // Of several choices only those that were chosen are counted: "1 of 1" would be no help.
      text: right > 0 && right < parts ? t("partlyOf", { right, parts }) : t("partly"),
      look: "text-slate",
    },
    wrong: { icon: <CircleSlash2 size={20} aria-hidden />, text: t("wrong"), look: "text-clay" },
    blank: { icon: <CircleDashed size={20} aria-hidden />, text: t("blank"), look: "text-ink-soft" },
    "to read": { icon: <CheckCircle2 size={20} aria-hidden />, text: t("toRead"), look: "text-slate" },
  }[mark.verdict];
  return (
    <div role="status" className="grid gap-1">
      <p className={`flex items-center gap-2 font-semibold ${said.look}`}>
        {said.icon} {said.text}
      </p>
      {person?.comment && <p>{t("teacherSays", { comment: person.comment })}</p>}
      {feedback}
    </div>
  );
}

/**
 * One question as students meet it. `onCheck` is there when checking is allowed now; `mark` is what the last check, or
 * the end, said.
 */
export function QuestionView({
  question,
  value,
  onChange,
  mark,
  onCheck,
  checking = false,
  readOnly = false,
  languages,
}: {
  question: Question;
  value: ResponseValue | undefined;
  onChange: (value: ResponseValue) => void;
  mark?: Mark | undefined;
  onCheck?: (() => void) | undefined;
  checking?: boolean;
  readOnly?: boolean;
  languages: readonly string[];
}) {
  const t = useTranslations("question");
  const [hintShown, setHintShown] = useState(false);
  const View = views[question.type] as (props: QuestionProps<QuestionType>) => ReactNode;
  const promptId = `${question.id}-prompt`;
  const hint = inLanguage(question.hint, languages);
  const told = mark && feedbackFor(question, mark.verdict);
  return (
    <section aria-labelledby={promptId} tabIndex={-1} className="grid grid-cols-1 gap-3 outline-none">
      <div id={promptId} className="font-semibold">
        <Rich text={inLanguage(question.prompt, languages)} />
      </div>
      <View
        question={question as never}
        value={value}
        onChange={onChange}
        readOnly={readOnly}
        languages={languages}
        parts={mark?.parts ?? {}}
        labelledBy={promptId}
      />
      {(onCheck || hint || mark) && (
        <div className="flex min-h-12 flex-wrap items-center gap-3">
          {onCheck && (
            <button
              type="button"
              onClick={onCheck}
              disabled={checking || isBlankResponse(question.type, value)}
              className="inline-flex min-h-12 items-center gap-2 rounded-card border-2 border-green px-5 font-semibold text-green disabled:opacity-50"
            >
              {checking && <Loader2 size={18} className="animate-spin" aria-hidden />} {t("check")}
            </button>
          )}
          {hint && !readOnly && !hintShown && (
            <button
              type="button"
              onClick={() => setHintShown(true)}
              className="inline-flex min-h-12 items-center gap-2 px-2 text-ink-soft underline"
            >
              <Lightbulb size={18} aria-hidden /> {t("hint")}
            </button>
          )}
          {mark && question.type !== "poll" && (
            <VerdictLine mark={mark} feedback={<Told feedback={told} languages={languages} />} />
          )}
        </div>
      )}
      {hintShown && hint && (
        <div className="flex items-start gap-2 rounded-card bg-slate-wash px-3 py-2">
          <div className="min-w-0 flex-1">
            <Rich text={hint} />
          </div>
          <ReadThis text={plainText(hint)} language={languages[0]!} />
        </div>
      )}
    </section>
  );
}
