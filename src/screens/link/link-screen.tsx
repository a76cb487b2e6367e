"use client";
import { clsx } from "clsx";
import { Backpack, GitBranch, Printer } from "lucide-react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { formatGradeSpan, formatReadingGrade } from "@/core/content/grade";
import { creditLine, licenceNames, mayAdapt } from "@/core/licence/licence";
import { adaptResource } from "@/screens/acts/adapt";
import { takeFromLink } from "@/screens/acts/link";
import { packResource } from "@/screens/acts/satchel";
import type { LinkedThing } from "@/server/share/link";
import { Button, buttonClasses } from "@/ui/button";
import { tell, tellProblem } from "@/ui/toast";
import { StepTable } from "../light-table/step-table";
import { Brand } from "../shell/brand";
import { useOnce } from "../use-once";

export interface LinkScreenProps {
  token: string;
  by: string;
  name: string;
  mayCopy: boolean;
  teacherPart: boolean;
  titles: string[];
  /** Which of them is shown, from 0. */
  at: number;
  shown: LinkedThing;
  /** Null: nobody is signed in who could keep it. */
  reader: { mine: boolean } | null;
}

/** What a signed-in teacher can do with it: keep it, or make a version of her own, in one press each. */
function Keep({ token, shown, mayCopy }: Pick<LinkScreenProps, "token" | "shown" | "mayCopy">) {
  const router = useRouter();
  const [busy, start] = useOnce();
  const take = (then: (resource: number) => Promise<void>) =>
    start(async () => {
      const outcome = await takeFromLink({ token, resource: shown.id });
      if (outcome.ok) await then(outcome.value.resource);
      else tellProblem(outcome.problem);
    });
  const pack = () =>
    take(async (resource) => {
      const outcome = await packResource({ resource });
      if (!outcome.ok) return tellProblem(outcome.problem);
      tell(outcome.value.already ? "It is in your satchel already." : `Packed “${shown.facts.title}”.`);
    });
  const adapt = () =>
    take(async (resource) => {
      const outcome = await adaptResource({ resource });
      if (outcome.ok) router.push(`/adapt/${outcome.value.resource}`);
      else tellProblem(outcome.problem);
    });
  const allowed = mayAdapt(shown.document.licence, false);
  return (
    <>
      <Button onClick={pack} disabled={busy}>
        <Backpack size={16} aria-hidden /> Pack
      </Button>
      {mayCopy && allowed.allowed && (
        <Button look="main" onClick={adapt} disabled={busy}>
          <GitBranch size={16} aria-hidden /> Adapt
        </Button>
      )}
    </>
  );
}

/** What somebody shared by a link: the light table for anybody who has the address, and nothing else of the school. */
export function LinkScreen(props: LinkScreenProps) {
  const { token, by, name, mayCopy, teacherPart, titles, at, shown, reader } = props;
  const { facts, document } = shown;
  const about = [
    by,
    facts.minutesFrom === "estimate" ? `about ${facts.minutes} min` : `${facts.minutes} min`,
    `grades ${formatGradeSpan(facts.grades)}`,
    facts.readingGrade === null ? null : `reads at ${formatReadingGrade(facts.readingGrade)}`,
    licenceNames[document.licence],
  ].filter(Boolean);
  return (
    <div className="flex h-dvh flex-col max-md:h-auto max-md:min-h-dvh">
      <header className="flex flex-wrap items-center gap-3 border-b border-line px-5 py-2.5">
        <Brand />
        <p className="min-w-0 flex-1 text-[13px] text-ink-soft">
          {by} shared {titles.length > 1 ? name : "this"} with you{mayCopy ? "" : " to look at"}.
        </p>
        {reader === null && (
          <Link href={`/sign-in?to=/look/${token}`} className={buttonClasses("plain", "small")}>
            {mayCopy ? "Sign in to pack or adapt it" : "Sign in to pack it"}
          </Link>
        )}
        {reader?.mine && (
          <Link href={`/find?open=${shown.id}&do=share`} className={buttonClasses("plain", "small")}>
            It is yours: open it in your satchel
          </Link>
        )}
      </header>
      <main className="flex min-h-0 flex-1 max-md:flex-col">
        {titles.length > 1 && (
          <nav
            aria-label={name}
            className="w-64 shrink-0 overflow-auto border-r border-line p-3 max-md:w-full max-md:border-r-0 max-md:border-b"
          >
            <ol className="grid gap-0.5">
              {titles.map((title, nth) => (
                <li key={nth}>
                  <Link
                    href={`/look/${token}?thing=${nth + 1}`}
                    aria-current={nth === at ? "page" : undefined}
                    className={clsx(
                      "flex gap-2 rounded-card px-2 py-1.5",
                      nth === at ? "bg-green-wash font-semibold" : "hover:bg-shade",
                    )}
                  >
                    <span className="numbers w-5 shrink-0 text-right text-ink-soft">{nth + 1}</span> {title}
                  </Link>
                </li>
              ))}
            </ol>
          </nav>
        )}
        <article className="flex min-h-0 min-w-0 flex-1 flex-col" aria-labelledby="linked-title">
          <header className="px-5 pt-4 pb-3 max-md:px-3">
            <div className="flex flex-wrap items-start gap-3">
              <h1 id="linked-title" className="min-w-0 flex-1 pt-1 font-serif text-[21px] leading-tight">
                {facts.title}
              </h1>
              <a
                href={`/look/${token}/print?thing=${at + 1}`}
                target="_blank"
                rel="noreferrer"
                className={buttonClasses()}
              >
                <Printer size={16} aria-hidden /> Print
              </a>
              {reader && !reader.mine && <Keep token={token} shown={shown} mayCopy={mayCopy} />}
            </div>
            <p className="mt-1 text-[13px] text-ink-soft">{about.join(" · ")}</p>
            {document.credits.map((credit, nth) => (
              <p key={nth} className="mt-0.5 text-[13px] text-brass-text">
                {creditLine(credit)}
              </p>
            ))}
          </header>
          <div className="min-h-0 flex-1">
            <StepTable key={shown.id} document={document} withAnswers={teacherPart} />
          </div>
        </article>
      </main>
    </div>
  );
}
