"use client";
import { clsx } from "clsx";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { formatDay } from "@/core/calendar/format-moment";
import type { PastClass, PastWork } from "@/data/classes/class-said";
import { bringClassBack } from "@/screens/acts/class-said";
import { Button, buttonClasses } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { tell, tellProblem } from "@/ui/toast";

export interface PastShown extends PastClass {
  work: PastWork[];
}

/** A class in the list of them. */
export function ClassEntry({ href, open, name, about }: { href: string; open: boolean; name: string; about: string }) {
  return (
    <Link
      href={href}
      aria-current={open ? "page" : undefined}
      className={clsx(
        "block rounded-card px-3 py-2",
        open ? "bg-card font-semibold shadow-[inset_2px_0_0_var(--ink)]" : "hover:bg-card/60",
      )}
    >
      {name}
      <span className="block text-[12px] font-normal text-ink-soft">{about}</span>
    </Link>
  );
}

/** Classes of past years, under those in use. */
export function PastClasses({ past, open }: { past: readonly PastClass[]; open: number | null }) {
  if (past.length === 0) return null;
  return (
    <details className="mt-3" open={open !== null}>
      <summary className="cursor-pointer px-3 text-[13px] text-ink-soft">Put away ({past.length})</summary>
      <ul className="mt-1 grid gap-0.5">
        {past.map((one) => (
          <li key={one.id}>
            <ClassEntry
              href={`/classes?past=${one.id}`}
              open={one.id === open}
              name={one.name}
              about={`${one.year} · ${one.pieces} ${one.pieces === 1 ? "piece" : "pieces"} of work`}
            />
          </li>
        ))}
      </ul>
    </details>
  );
}

/** A class that is put away: what it had, to be assigned again, and the way back. */
export function PastView({ past, zone, now }: { past: PastShown; zone: string; now: Date }) {
  const router = useRouter();
  const back = async () => {
    const outcome = await bringClassBack({ class: past.id });
    if (!outcome.ok) return tellProblem(outcome.problem);
    tell(`${past.name} is back.`);
    router.push(`/classes?class=${past.id}`);
  };
  return (
    <div className="min-w-0 overflow-auto px-6 py-5 max-md:px-3">
      <div className="flex flex-wrap items-end gap-3">
        <div className="min-w-0 flex-1">
          <h1 className="font-serif text-[22px]">{past.name}</h1>
          <p className="text-ink-soft">
            {past.subject} · {past.year} · put away · {past.students} students
          </p>
        </div>
        <Button look="main" onClick={() => void back()}>
          Bring it back
        </Button>
      </div>
      {past.work.length === 0 ? (
        <Empty title="It had no work">Nothing was assigned to this class.</Empty>
      ) : (
        <ul aria-label="What it had" className="mt-4 divide-y divide-line rounded-card border border-line bg-card">
          {past.work.map((one) => (
            <li key={one.assignment} className="flex flex-wrap items-center gap-3 px-4 py-2">
              <span className="min-w-48 flex-1">
                <span className="font-semibold">{one.title}</span>
                {one.part && <span className="text-ink-soft"> · {one.part}</span>}
                <span className="block text-[13px] text-ink-soft">
                  due {formatDay(one.due, zone, now)} · {one.handedIn} of {one.students} handed it in
                </span>
              </span>
              <Link
                href={`/find?open=${one.resource}&do=assign&like=${one.assignment}`}
                className={buttonClasses("plain", "small")}
                aria-label={`Assign “${one.title}” again`}
              >
                Assign again …
              </Link>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
