"use client";
import { Link2 } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { formatDay } from "@/core/calendar/format-moment";
import { addDays, schoolClock } from "@/core/calendar/school-calendar";
import { endShowing, showPortfolio } from "@/screens/acts/portfolio";
import type { PortfolioLink } from "@/data/portfolio/portfolio-links";
import { Button } from "@/ui/button";
import { Field } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { tell, tellProblem } from "@/ui/toast";
import { formatOpened } from "../link/format-opened";
import { NewLink } from "../link/new-link";
import { useOnce } from "../use-once";
import { DateInput } from "../when/typed-input";

const USUAL_DAYS = 14;

/** Makes a link to the pieces chosen, and lists those that lead there now. */
export function ShowPanel({
  about,
  pieces,
  links,
  zone,
  now,
}: {
  about: { class: number; student: number };
  pieces: readonly number[];
  links: readonly PortfolioLink[];
  zone: string;
  now: Date;
}) {
  const router = useRouter();
  const [busy, once] = useOnce();
  const [until, setUntil] = useState(() => addDays(schoolClock(now, zone).date, USUAL_DAYS));
  const [made, setMade] = useState<{ link: number; address: string } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const make = () =>
    once(async () => {
      const outcome = await showPortfolio({ ...about, pieces: [...pieces], until });
      setProblem(outcome.ok ? null : outcome.problem);
      if (!outcome.ok) return;
      setMade(outcome.value);
      router.refresh();
    });
  const end = (link: number) =>
    once(async () => {
      const outcome = await endShowing({ ...about, link });
      if (!outcome.ok) return tellProblem(outcome.problem);
      if (made?.link === link) setMade(null);
      router.refresh();
      tell("The link is ended. Nobody can open it any more.");
    });
  return (
    <div className="mt-3 grid gap-3">
      <Field label="Last day">{(control) => <DateInput {...control} value={until} onChange={setUntil} />}</Field>
      {problem && <Notice tone="warning">{problem}</Notice>}
      <Button look="main" disabled={busy || pieces.length === 0 || !until} onClick={make}>
        <Link2 size={16} aria-hidden />{" "}
        {pieces.length === 1 ? "Make a link to one piece" : `Make a link to ${pieces.length} pieces`}
      </Button>
      {made && <NewLink address={made.address} />}
      {links.length > 0 && (
        <section aria-labelledby="portfolio-links">
          <h3 id="portfolio-links" className="font-semibold">
            Links that lead here
          </h3>
          <ul className="mt-1 text-[14px]">
            {links.map((link) => (
              <li key={link.id} className="flex items-center gap-2 border-t border-line py-1.5">
                <span className="min-w-0 flex-1">
                  {link.pieces.length === 1 ? "One piece" : `${link.pieces.length} pieces`}
                  <span className="text-[13px] text-ink-soft">
                    {" "}
                    · {link.by} · {formatOpened(link.opened)} · until{" "}
                    {formatDay(new Date(link.until.getTime() - 1), zone, now)}
                  </span>
                </span>
                <Button size="small" disabled={busy} onClick={() => end(link.id)}>
                  End it
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}
