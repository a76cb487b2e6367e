"use client";
import { ArrowLeft, Check, Heart, HeartOff, Undo2 } from "lucide-react";
import { useRouter } from "next/navigation";
import { useMemo, useRef, useState } from "react";
import { useTranslations } from "use-intl";
import { byYear, type PortfolioPiece } from "@/core/portfolio/piece";
import { giveReason, setInPortfolio } from "@/screens/acts/mine";
import { useProblem } from "../language/use-problem";
import { useWhen } from "../language/use-when";
import { VoiceRecorder, type Voice } from "../media/voice-recorder";
import { ChildHeader } from "../student/child-header";
import { PieceAnswers } from "./piece-view";

const LONGEST_SECONDS = 120;
const PAUSE_MS = 900;

/** Why a child is proud of it: written or spoken, kept as she writes. */
function Why({
  piece,
  speaks,
  onProblem,
}: {
  piece: PortfolioPiece;
  speaks: boolean;
  onProblem: (problem: string | null) => void;
}) {
  const t = useTranslations("portfolio");
  const problemText = useProblem();
  const [why, setWhy] = useState(piece.why);
  const [voice, setVoice] = useState<Voice | null>(piece.voice);
  const [kept, setKept] = useState(piece.why);
  const [state, setState] = useState<"" | "kept">("");
  const pause = useRef<ReturnType<typeof setTimeout>>(undefined);
  const keep = async (said: string, spoken: Voice | null) => {
    clearTimeout(pause.current);
    const outcome = await giveReason({ piece: piece.id, why: said, voice: spoken });
    onProblem(outcome.ok ? null : problemText(outcome));
    if (!outcome.ok) return;
    setKept(said);
    setState("kept");
  };
  return (
    <div className="mt-4 grid gap-2 border-t border-line pt-3">
      <label className="grid gap-1 font-bold">
        {t("why")}
        <textarea
          rows={2}
          maxLength={600}
          value={why}
          onChange={(event) => {
            const said = event.target.value;
            setWhy(said);
            setState("");
            clearTimeout(pause.current);
            pause.current = setTimeout(() => void keep(said, voice), PAUSE_MS);
          }}
          onBlur={() => why.trim() !== kept.trim() && void keep(why, voice)}
          className="w-full rounded-card border-2 border-line-strong bg-card px-3 py-2 font-normal"
        />
      </label>
      <div className="flex flex-wrap items-center gap-3">
        {speaks && (
          <VoiceRecorder
            value={voice}
            name={t("spoken", { title: piece.title })}
            longest={LONGEST_SECONDS}
            sendTo={`/student/${piece.assignment}/file`}
            large
            onVoice={(spoken) => {
              setVoice(spoken);
              void keep(why, spoken);
            }}
          />
        )}
        <p role="status" className="flex items-center gap-1 text-[0.88em] text-ink-soft">
          {state && (
            <>
              <Check size={16} aria-hidden /> {t("kept")}
            </>
          )}
        </p>
      </div>
    </div>
  );
}

function OwnPiece({
  piece,
  speaks,
  zone,
  now,
  onProblem,
}: {
  piece: PortfolioPiece;
  speaks: boolean;
  zone: string;
  now: Date;
  onProblem: (problem: string | null) => void;
}) {
  const t = useTranslations("portfolio");
  const problemText = useProblem();
  const { when } = useWhen(zone, now);
  const router = useRouter();
  const [out, setOut] = useState(false);
  const set = async (there: boolean) => {
    setOut(!there);
    const outcome = await setInPortfolio({ piece: piece.id, there });
    onProblem(outcome.ok ? null : problemText(outcome));
    if (!outcome.ok) setOut(there);
    else if (there) router.refresh();
  };
  if (out)
    return (
      <li className="flex flex-wrap items-center gap-3 rounded-card border-2 border-dashed border-line-strong px-5 py-3">
        <p className="flex-1">{t("isOut", { title: piece.title })}</p>
        <button
          type="button"
          onClick={() => void set(true)}
          className="inline-flex min-h-12 items-center gap-2 rounded-card border-2 border-line bg-card px-4 font-bold"
        >
          <Undo2 size={18} aria-hidden /> {t("putBack")}
        </button>
      </li>
    );
  return (
    <li className="rounded-card border-2 border-line bg-card p-5">
      <div className="flex flex-wrap items-start gap-3">
        <h3 className="min-w-48 flex-1 text-xl font-bold [overflow-wrap:anywhere]">
          {piece.title}
          <span className="block text-[0.75em] font-normal text-ink-soft">{when(piece.handedIn)}</span>
        </h3>
        <button
          type="button"
          onClick={() => void set(false)}
          className="inline-flex min-h-12 items-center gap-2 rounded-card border-2 border-line px-4"
        >
          <HeartOff size={18} aria-hidden /> {t("takeOut")}
          <span className="heard">: {piece.title}</span>
        </button>
      </div>
      <div className="mt-3">
        <PieceAnswers piece={piece} />
        {piece.together > 0 && <p className="mt-3 text-ink-soft">{t("together")}</p>}
      </div>
      <Why piece={piece} speaks={speaks} onProblem={onProblem} />
    </li>
  );
}

/** What a child is proud of, over the years, and why; `speaks`: her school may keep her voice. */
export function OwnPortfolio({
  pieces,
  speaks,
  zone,
  now,
}: {
  pieces: PortfolioPiece[];
  speaks: boolean;
  zone: string;
  now: Date;
}) {
  const t = useTranslations("portfolio");
  const common = useTranslations("common");
  const [problem, setProblem] = useState<string | null>(null);
  // What is taken out stays in its place until the page is left, so that it can be put back.
  const years = useMemo(() => byYear(pieces), [pieces]);
  return (
    <main className="finger-size mx-auto max-w-3xl px-4 pt-3 pb-12 font-child text-(length:--child-text)">
      <ChildHeader
        back={{ href: "/student", name: common("myWork"), icon: <ArrowLeft size={22} aria-hidden /> }}
        title={t("mine")}
        line={t("count", { count: pieces.length })}
      >
        <Heart size={26} aria-hidden className="fill-current text-brass" />
      </ChildHeader>
      {problem && (
        <p role="alert" className="mt-4 rounded-card bg-clay-wash px-4 py-3 font-bold text-clay">
          {problem}
        </p>
      )}
      {pieces.length === 0 && <p className="mt-8 text-center text-xl text-ink-soft">{t("nothing")}</p>}
      {years.map(({ year, pieces: some }) => (
        <section key={year} className="mt-6">
          <h2 className="mb-2 text-xl font-bold">{t("year", { year: String(year) })}</h2>
          <ul className="grid gap-4">
            {some.map((piece) => (
              <OwnPiece key={piece.id} {...{ piece, speaks, zone, now }} onProblem={setProblem} />
            ))}
          </ul>
        </section>
      ))}
    </main>
  );
}
