"use client";
import { Download, PackageOpen, Pencil, Printer, Users } from "lucide-react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { useState, type FormEvent, type ReactNode } from "react";
import { sumOfPocket, type Kept } from "@/core/satchel/filter";
import type { Pocket } from "@/data/satchel/pockets";
import { changePocket } from "@/screens/acts/pockets";
import { orTell } from "@/screens/acts/tried";
import { Button, buttonClasses } from "@/ui/button";
import { inputClasses } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { tell, tellProblem } from "@/ui/toast";
import { isTogether, mayArrange, formatKept } from "./format-satchel";

/** What a pocket is for, what it holds in all, and ways to carry it off: printed, or as a list. */
export function PocketHead({
  name,
  pocket,
  items,
  list,
  onTogether,
  children,
}: {
  name: string;
  /** Null where no single pocket is open. */
  pocket: Pocket | null;
  /** What is shown of it. */
  items: readonly Kept[];
  /** What is shown, as parameters of an address. */
  list: string;
  /** Shows who keeps it with her. */
  onTogether: () => void;
  children: ReactNode;
}) {
  const router = useRouter();
  /** What it said when she began to write: a colleague may have changed it since, and is not written over. */
  const [writing, setWriting] = useState<string | null>(null);
  const sum = sumOfPocket(items);
  const keep = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    if (!pocket || writing === null) return;
    const { id } = pocket;
    const before = writing;
    const about = String(new FormData(event.currentTarget).get("about"));
    const outcome = await changePocket({ pocket: id, about, was: { about: before } });
    if (!outcome.ok) {
      // Told what the colleague wrote, she may save hers in its place.
      if (pocket.about !== before) setWriting(pocket.about);
      else router.refresh();
      return tellProblem(outcome.problem);
    }
    setWriting(null);
    router.refresh();
    tell("Saved what this pocket is for.", async () => {
      await orTell(changePocket({ pocket: id, about: before }));
      router.refresh();
    });
  };
  return (
    <header className="shrink-0 px-4 pt-2 pb-2">
      <div className="flex min-h-8 items-center gap-1.5">
        <h1 className="min-w-0 flex-1 truncate font-serif text-[19px]" title={name}>
          {name}
        </h1>
        <span className="not-printed flex items-center gap-1">
          {pocket && mayArrange(pocket) && (
            <IconButton
              name="Say what this pocket is for"
              small
              onClick={() => setWriting(writing === null ? pocket.about : null)}
            >
              <Pencil size={15} aria-hidden />
            </IconButton>
          )}
          <a
            href={`/print/satchel?${list}`}
            target="_blank"
            rel="noreferrer"
            aria-label="Print this list"
            title="Print this list"
            className={buttonClasses("quiet", "small")}
          >
            <Printer size={15} aria-hidden />
          </a>
          <a
            href={`/satchel/list?${list}`}
            download
            aria-label="Download this list (CSV)"
            title="Download this list (CSV)"
            className={buttonClasses("quiet", "small")}
          >
            <Download size={15} aria-hidden />
          </a>
          {pocket && (
            <Link
              href={`/save/pocket/${pocket.id}`}
              aria-label="Save this pocket as a file"
              title="Save this pocket as a file: PDF, slides, course packages …"
              className={buttonClasses("quiet", "small")}
            >
              <PackageOpen size={15} aria-hidden />
            </Link>
          )}
          {children}
        </span>
      </div>
      {pocket && isTogether(pocket) && (
        <p className="mt-0.5 flex items-center gap-1.5 text-[13px] text-ink-soft">
          <Users size={14} aria-hidden className="shrink-0" />
          {pocket.may === "own" ? (
            <button type="button" onClick={onTogether} className="text-left hover:underline">
              {formatKept(pocket)}
            </button>
          ) : (
            formatKept(pocket)
          )}
        </p>
      )}
      {pocket?.about && writing === null && (
        <p className="mt-0.5 text-[13px] whitespace-pre-wrap text-ink-soft">{pocket.about}</p>
      )}
      {writing !== null && (
        <form onSubmit={keep} className="not-printed mt-1 grid gap-1">
          <textarea
            name="about"
            aria-label="What this pocket is for"
            defaultValue={writing}
            rows={3}
            maxLength={2000}
            className={`${inputClasses} py-1.5`}
          />
          <div className="flex gap-1">
            <Button size="small" type="submit">
              Keep
            </Button>
            <Button size="small" look="quiet" onClick={() => setWriting(null)}>
              Cancel
            </Button>
          </div>
        </form>
      )}
      {sum.things > 0 && (
        <p className="numbers mt-0.5 text-[13px] text-ink-soft">
          {sum.things} {sum.things === 1 ? "thing" : "things"} · {sum.minutes} min
          {sum.standards.length > 0 && (
            <span title={sum.standards.join(", ")}>
              {" "}
              · {sum.standards.slice(0, 4).join(", ")}
              {sum.standards.length > 4 && ` and ${sum.standards.length - 4} more`}
            </span>
          )}
        </p>
      )}
    </header>
  );
}
