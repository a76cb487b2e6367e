"use client";
import { ArrowLeft, Pencil, UserCheck, UserPlus } from "lucide-react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { useState, type FormEvent, type ReactNode } from "react";
import { formatDay, formatMonths } from "@/core/calendar/format-moment";
import { formatGradeSpan } from "@/core/content/grade";
import type { PartnerThing } from "@/data/find/partners";
import { follow, stopFollowing } from "@/screens/acts/keep";
import { describePartner } from "@/screens/acts/set";
import type { PartnerData } from "@/server/find/partner";
import { Button, buttonClasses } from "@/ui/button";
import { inputClasses } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { tellProblem } from "@/ui/toast";
import { useDone } from "../use-done";
import { useOnce } from "../use-once";

function Things({
  title,
  things,
  aside,
}: {
  title: string;
  things: PartnerThing[];
  aside: (one: PartnerThing) => string;
}) {
  if (things.length === 0) return null;
  return (
    <section className="break-inside-avoid pb-6">
      <h2 className="border-b border-line pb-1 font-serif text-[17px]">{title}</h2>
      <ul>
        {things.map((one) => (
          <li key={one.id} className="py-1.5">
            <Link href={`/find?open=${one.id}`} className="font-semibold [overflow-wrap:anywhere] hover:underline">
              {one.facts.title}
            </Link>
            <span className="numbers block text-[13px] text-ink-soft">
              {one.facts.kind} · grades {formatGradeSpan(one.facts.grades)} · {one.facts.minutes} min · {aside(one)}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

const Links = ({ title, children }: { title: string; children: ReactNode }) => (
  <section className="break-inside-avoid pb-6">
    <h2 className="border-b border-line pb-1 font-serif text-[17px]">{title}</h2>
    <ul className="pt-1">{children}</ul>
  </section>
);

/** The page of an organisation: who it is, and what of it she can use. */
export function PartnerScreen({ data, zone, now }: { data: PartnerData; zone: string; now: Date }) {
  const { partner, subjects, newest, mostUsed, sets, curates } = data;
  const router = useRouter();
  const [writing, setWriting] = useState(false);
  const [busy, start] = useOnce();
  const done = useDone();
  const toggle = () =>
    start(async () => {
      const outcome = await (partner.following ? stopFollowing : follow)({ author: partner.id });
      if (!outcome.ok) return tellProblem(outcome.problem);
      router.refresh();
    });
  const save = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const about = String(new FormData(event.currentTarget).get("about"));
    start(async () => {
      const outcome = await describePartner({ partner: partner.id, about });
      if (!outcome.ok) return tellProblem(outcome.problem);
      setWriting(false);
      done(`Saved what ${partner.name} is.`, outcome.value.event);
    });
  };
  return (
    <div className="h-full overflow-auto px-5 pt-4 pb-6">
      <div className="mx-auto max-w-4xl">
        <Link href="/find" className="inline-flex items-center gap-1 text-[13px] text-ink-soft hover:underline">
          <ArrowLeft size={14} aria-hidden /> Find
        </Link>
        <header className="mt-2 flex flex-wrap items-start gap-3 pb-5">
          <div className="min-w-0 flex-1">
            <h1 className="font-serif text-[28px] leading-tight">{partner.name}</h1>
            {!writing && (
              <p className="mt-1 flex max-w-2xl items-start gap-1 whitespace-pre-wrap">
                {partner.about || (
                  <span className="text-ink-soft">An organisation that shares its lessons with schools.</span>
                )}
                {curates && (
                  <IconButton name={`Say who ${partner.name} is`} small onClick={() => setWriting(true)}>
                    <Pencil size={14} aria-hidden />
                  </IconButton>
                )}
              </p>
            )}
            {writing && (
              <form onSubmit={save} className="mt-1 grid max-w-2xl gap-2">
                <textarea
                  name="about"
                  aria-label={`Who ${partner.name} is`}
                  autoFocus
                  rows={3}
                  maxLength={600}
                  defaultValue={partner.about}
                  className={inputClasses}
                />
                <div className="flex gap-2">
                  <Button type="submit" look="main" size="small" disabled={busy}>
                    Save
                  </Button>
                  <Button size="small" onClick={() => setWriting(false)}>
                    Cancel
                  </Button>
                </div>
              </form>
            )}
          </div>
          <Button onClick={toggle} disabled={busy} aria-pressed={partner.following}>
            {partner.following ? <UserCheck size={15} aria-hidden /> : <UserPlus size={15} aria-hidden />}
            {partner.following ? "Following" : "Follow"}
          </Button>
          <Link href={`/find?author=${partner.id}`} className={buttonClasses("main")}>
            {partner.things === 1 ? "See the one thing they share" : `Search all ${partner.things}`}
          </Link>
        </header>
        <div className="gap-8 md:columns-2">
          <Things title="New" things={newest} aside={({ fresh }) => formatDay(fresh, zone, now)} />
          <Things title="Used most" things={mostUsed} aside={({ uses }) => `${uses} ${uses === 1 ? "use" : "uses"}`} />
          <Links title="By subject">
            {subjects.map(({ subject, things }) => (
              <li key={subject}>
                <Link
                  href={`/find?author=${partner.id}&subject=${encodeURIComponent(subject)}`}
                  className="flex min-h-8 items-center gap-3 hover:underline"
                >
                  <span className="flex-1">{subject}</span>
                  <span className="numbers text-[13px] text-ink-soft">{things}</span>
                </Link>
              </li>
            ))}
          </Links>
          {sets.length > 0 && (
            <Links title="In sets the curators picked">
              {sets.map(({ id, name, note, months }) => (
                <li key={id} className="py-1">
                  <Link href={`/find?set=${id}`} className="hover:underline">
                    {name}
                  </Link>
                  <span className="block text-[13px] text-ink-soft">
                    {[months.length > 0 ? formatMonths(months) : null, note].filter(Boolean).join(" · ")}
                  </span>
                </li>
              ))}
            </Links>
          )}
        </div>
      </div>
    </div>
  );
}
