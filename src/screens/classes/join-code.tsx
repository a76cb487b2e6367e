"use client";
import { KeyRound, Maximize2 } from "lucide-react";
import { useRouter } from "next/navigation";
import { useEffect, useState, useTransition } from "react";
import { formatTime, toWallClock } from "@/core/calendar/format-moment";
import type { Class, JoinCode } from "@/data/classes/classes";
import { endJoinCode, startJoinCode } from "@/screens/acts/classes";
import { JOIN_CODE_MINUTES, joinCodeLives, formatJoinCodeLife, type JoinCodeLife } from "@/core/student/join-code";
import { Button } from "@/ui/button";
import { Field, inputClasses } from "@/ui/field";
import { tellProblem } from "@/ui/toast";
import { Qr } from "./qr";

/** The code and its picture over the whole screen, for the board; any key or press closes it. */
function Large({ code, address, qr, onClose }: { code: string; address: string; qr: string; onClose: () => void }) {
  useEffect(() => {
    const close = () => onClose();
    window.addEventListener("keydown", close);
    return () => window.removeEventListener("keydown", close);
  }, [onClose]);
  return (
    <div
      role="dialog"
      aria-modal="true"
      aria-label={`Join code ${code}`}
      className="fixed inset-0 z-50 grid cursor-pointer place-items-center bg-white p-8 text-black"
      onClick={onClose}
    >
      <div className="flex flex-wrap items-center justify-center gap-16">
        <Qr text={qr} label="" className="w-[min(60vh,45vw)]" />
        <div>
          <p className="text-[4vw]">{address}</p>
          <p className="numbers text-[11vw] leading-tight font-bold tracking-widest">{code}</p>
        </div>
      </div>
    </div>
  );
}

/** What lets this class's students in: for as long as is chosen, on the board, and ended with one press. */
export function JoinCodeCard({
  group,
  code,
  zone,
  joinLink,
}: {
  group: Class;
  code: JoinCode | null;
  zone: string;
  /** Where students type the code, as it is opened. */
  joinLink: string;
}) {
  const joinAddress = joinLink.replace(/^https?:\/\//, "");
  const [life, setLife] = useState<JoinCodeLife>(JOIN_CODE_MINUTES);
  const router = useRouter();
  const [busy, start] = useTransition();
  const [over, setOver] = useState(false);
  const [large, setLarge] = useState(false);
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
  const qr = living ? `${joinLink}?code=${encodeURIComponent(code.code)}` : "";
  return (
    <section aria-labelledby="code" className="rounded-card border border-line bg-card p-5">
      <h2 id="code" className="flex items-center gap-2 font-semibold">
        <KeyRound size={16} aria-hidden /> Join code
      </h2>
      {living && until ? (
        <>
          <div className="mt-2 flex items-center gap-4">
            <Qr
              text={qr}
              label="The same as a picture for a tablet's camera"
              className="h-24 w-24 rounded-card bg-white"
            />
            <p className="numbers text-[40px] leading-tight font-bold tracking-widest" aria-live="polite">
              {code.code}
            </p>
          </div>
          <p className="mt-2 text-ink-soft">
            Students can sign in with it until {formatTime(Number(until.slice(11, 13)), Number(until.slice(14, 16)))}.
            They open <strong>{joinAddress}</strong>, type the code and choose their name.
          </p>
          <div className="mt-3 flex flex-wrap gap-2">
            <Button onClick={() => setLarge(true)}>
              <Maximize2 size={15} aria-hidden /> Large, for the board
            </Button>
            <Button disabled={busy} onClick={() => run(() => startJoinCode({ class: group.id, minutes: life }))}>
              New code
            </Button>
            <Button disabled={busy} onClick={() => run(() => endJoinCode({ class: group.id }))}>
              End it now
            </Button>
          </div>
          {large && <Large code={code.code} address={joinAddress} qr={qr} onClose={() => setLarge(false)} />}
        </>
      ) : (
        <>
          <p className="mt-1 text-ink-soft">{over ? "The code has run out." : "There is no code at the moment."}</p>
          <Field label="A new code works for" className="mt-2 w-44">
            {(control) => (
              <select
                {...control}
                className={inputClasses}
                value={life}
                onChange={(event) => setLife(Number(event.target.value) as JoinCodeLife)}
              >
                {joinCodeLives.map((minutes) => (
                  <option key={minutes} value={minutes}>
                    {formatJoinCodeLife(minutes)}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <Button
            className="mt-3"
            disabled={busy}
            onClick={() => run(() => startJoinCode({ class: group.id, minutes: life }))}
          >
            {busy ? "One moment …" : "Make a code"}
          </Button>
        </>
      )}
    </section>
  );
}
