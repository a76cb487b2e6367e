"use client";
import { Heart } from "lucide-react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import { useTranslations } from "use-intl";
import { chooseAsMine } from "@/screens/acts/mine";
import { tryAgain } from "@/screens/acts/student";
import type { StudentWorkData } from "@/server/student/student-work";
import { useProblem } from "../language/use-problem";
import { useWhen } from "../language/use-when";
import { Postmark } from "./postmark";

/** What a child sees who has handed in: when, how it went as far as it may be seen, and what to do next. */
export function Ending({
  data,
  zone,
  now,
  onBack,
}: {
  data: StudentWorkData;
  zone: string;
  now: Date;
  onBack: () => void;
}) {
  const t = useTranslations("work");
  const common = useTranslations("common");
  const problemText = useProblem();
  const { when } = useWhen(zone, now);
  const router = useRouter();
  const [busy, start] = useTransition();
  const [mine, setMine] = useState(data.mine);
  const [problem, setProblem] = useState<string | null>(null);
  const marks = data.marks ? Object.values(data.marks) : [];
  const ruled = marks.filter((mark) => mark.marks !== null);
  const earned = Math.round(ruled.reduce((sum, mark) => sum + mark.marks!, 0) * 100) / 100;
  const again = () =>
    start(async () => {
      const outcome = await tryAgain({ assignment: data.assigned.assignment });
      if (outcome.ok) router.refresh();
      else setProblem(problemText(outcome));
    });
  return (
    <div className="grid justify-items-center gap-4 rounded-card border-2 border-line bg-card p-8 text-center">
      <Postmark at={data.attempt!.handedIn!} zone={zone} now={now} size={110} />
      <h2 className="text-2xl font-bold">{t("handedIn")}</h2>
      {ruled.length > 0 && (
        <p className="numbers text-xl">
          {t("earned", { earned, outOf: ruled.reduce((sum, mark) => sum + mark.outOf, 0) })}
        </p>
      )}
      {data.putAway ? (
        <p>{t("putAway", { teacher: data.assigned.teacher })}</p>
      ) : data.hidden ? (
        <p>{t("ownCard")}</p>
      ) : (
        <>
          {data.marksFrom && <p>{t("marksFrom", { when: when(data.marksFrom) })}</p>}
          {marks.length === 0 && !data.marksFrom && <p>{t("teacherLooks", { teacher: data.assigned.teacher })}</p>}
        </>
      )}
      {problem && <p role="alert">{problem}</p>}
      <div className="flex flex-wrap justify-center gap-3">
        {!data.hidden && (
          <button type="button" onClick={onBack} className="min-h-12 rounded-card border-2 border-line px-5 font-bold">
            {t("lookAtAnswers")}
          </button>
        )}
        {!data.hidden && (
          <button
            type="button"
            aria-pressed={mine}
            onClick={() => {
              setMine(!mine);
              void chooseAsMine({ assignment: data.assigned.assignment, chosen: !mine }).then((outcome) => {
                if (outcome.ok) return;
                setMine(mine);
                setProblem(problemText(outcome));
              });
            }}
            className="inline-flex min-h-12 items-center gap-2 rounded-card border-2 border-line px-5 font-bold"
          >
            <Heart size={18} aria-hidden className={mine ? "fill-current" : ""} /> {t(mine ? "outOfMine" : "keepMine")}
          </button>
        )}
        {data.triesLeft && (
          <button
            type="button"
            disabled={busy}
            onClick={again}
            className="min-h-12 rounded-card border-2 border-line px-5 font-bold"
          >
            {t("tryAgain")}
          </button>
        )}
        <Link
          href="/student"
          className="grid min-h-12 place-items-center rounded-card bg-green px-6 font-bold text-on-green"
        >
          {common("myWork")}
        </Link>
      </div>
    </div>
  );
}
