"use client";
import { clsx } from "clsx";
import { KeyRound } from "lucide-react";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useEffect, useState, useTransition } from "react";
import { sayTime, toWallClock } from "@/core/calendar/wall-clock";
import { gradeName } from "@/core/find/grade";
import type { Class, JoinCode, Student } from "@/data/classes";
import { endJoinCode, startJoinCode } from "@/server/actions/classes";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { tellProblem } from "@/ui/toast";

function Code({
  group,
  code,
  zone,
  joinAddress,
}: {
  group: Class;
  code: JoinCode | null;
  zone: string;
  joinAddress: string;
}) {
  const router = useRouter();
  const [busy, start] = useTransition();
  const [over, setOver] = useState(false);
  useEffect(() => {
    if (!code) return;
    const timer = setTimeout(() => setOver(true), Math.max(0, code.expires.getTime() - Date.now()));
    return () => clearTimeout(timer);
  }, [code]);
  const run = (work: () => Promise<{ ok: boolean; problem?: string }>) =>
    start(async () => {
      const outcome = await work();
      if (!outcome.ok) tellProblem(outcome.problem ?? "");
      setOver(false);
      router.refresh();
    });
  const until = code && toWallClock(code.expires, zone);
  const living = code && !over;
  return (
    <section aria-labelledby="code" className="rounded-card border border-line bg-card p-5">
      <h2 id="code" className="flex items-center gap-2 font-semibold">
        <KeyRound size={16} aria-hidden /> Join code
      </h2>
      {living && until ? (
        <>
          <p className="mt-2 numbers text-[44px] leading-tight font-bold tracking-widest" aria-live="polite">
            {code.code}
          </p>
          <p className="text-ink-soft">
            Lets students in until {sayTime(Number(until.slice(11, 13)), Number(until.slice(14, 16)))}. They open{" "}
            <strong>{joinAddress}</strong>, type the code and choose their name.
          </p>
          <div className="mt-3 flex gap-2">
            <Button disabled={busy} onClick={() => run(() => startJoinCode({ class: group.id }))}>
              Another code
            </Button>
            <Button disabled={busy} onClick={() => run(() => endJoinCode({ class: group.id }))}>
              End it now
            </Button>
          </div>
        </>
      ) : (
        <>
          <p className="mt-1 text-ink-soft">
            {over ? "The code has run out." : "No code lets students in just now."} A code is good for an hour.
          </p>
          <Button
            look="main"
            className="mt-3"
            disabled={busy}
            onClick={() => run(() => startJoinCode({ class: group.id }))}
          >
            {busy ? "One moment …" : "Let students in"}
          </Button>
        </>
      )}
    </section>
  );
}

export interface ClassScreenProps {
  classes: Class[];
  group: Class | null;
  students: Student[];
  code: JoinCode | null;
  zone: string;
  /** Where students type the code, without the protocol. */
  joinAddress: string;
}

export function ClassScreen({ classes, group, students, code, zone, joinAddress }: ClassScreenProps) {
  if (!group) return <Empty title="You have no class yet">The school office adds you to one.</Empty>;
  return (
    <div className="grid h-full grid-cols-[220px_minmax(0,1fr)]">
      <nav aria-label="My classes" className="overflow-auto bg-shade/60 p-2">
        <ul className="grid gap-0.5">
          {classes.map((one) => (
            <li key={one.id}>
              <Link
                href={`/classes?class=${one.id}`}
                aria-current={one.id === group.id ? "page" : undefined}
                className={clsx(
                  "block rounded-card px-3 py-2",
                  one.id === group.id ? "bg-card font-semibold shadow-[inset_2px_0_0_var(--ink)]" : "hover:bg-card/60",
                )}
              >
                {one.name}
                <span className="block text-[12px] font-normal text-ink-soft">
                  {one.subject} · {one.students} students
                </span>
              </Link>
            </li>
          ))}
        </ul>
      </nav>
      <div className="overflow-auto px-6 py-5">
        <h1 className="font-serif text-[22px]">{group.name}</h1>
        <p className="text-ink-soft">
          {group.subject} · {students.length} students · lessons of {group.periodMinutes} minutes ·{" "}
          <Link href={`/plan?class=${group.id}`} className="text-green underline">
            what they have
          </Link>
        </p>
        <div className="mt-4 grid gap-5 lg:grid-cols-[22rem_minmax(0,1fr)]">
          <div>
            <Code key={group.id} group={group} code={code} zone={zone} joinAddress={joinAddress} />
          </div>
          <section aria-labelledby="roster" className="rounded-card border border-line bg-card">
            <h2 id="roster" className="px-4 pt-4 pb-2 font-semibold">
              Roster
            </h2>
            <table className="w-full">
              <thead>
                <tr className="border-b border-line text-left text-[13px] text-ink-soft">
                  <th scope="col" className="px-4 py-1 font-normal">
                    Name
                  </th>
                  <th scope="col" className="px-4 py-1 font-normal">
                    Signs in as
                  </th>
                  <th scope="col" className="px-4 py-1 text-right font-normal">
                    Grade
                  </th>
                </tr>
              </thead>
              <tbody>
                {students.map((student) => (
                  <tr key={student.id} className="border-b border-line last:border-0">
                    <td className="px-4 py-1.5">
                      {student.givenName} {student.familyName}
                    </td>
                    <td className="px-4 py-1.5 text-ink-soft">{student.signInName}</td>
                    <td className="numbers px-4 py-1.5 text-right">{gradeName(student.grade)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
        </div>
      </div>
    </div>
  );
}
