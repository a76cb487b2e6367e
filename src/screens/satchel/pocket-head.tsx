"use client";
import { Download, Pencil, Printer } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState, type FormEvent, type ReactNode } from "react";
import { sumOfPocket, type Kept } from "@/core/satchel/filter";
import type { Pocket } from "@/data/satchel";
import { changePocket } from "@/screens/acts/satchel";
import { orTell } from "@/screens/acts/tried";
import { Button, buttonClasses } from "@/ui/button";
import { inputClasses } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { tell, tellProblem } from "@/ui/toast";

/** What a pocket is for, what it holds in all, and ways to carry it off: printed, or as a list. */
export function PocketHead({
  name,
  pocket,
  items,
  list,
  children,
}: {
  name: string;
  /** Null where no single pocket is open. */
  pocket: Pocket | null;
  /** What is shown of it. */
  items: readonly Kept[];
  /** What is shown, as parameters of an address. */
  list: string;
  children: ReactNode;
}) {
  const router = useRouter();
  const [writing, setWriting] = useState(false);
  const sum = sumOfPocket(items);
  const keep = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    if (!pocket) return;
    const { id, about: before } = pocket;
    const about = String(new FormData(event.currentTarget).get("about"));
    const outcome = await changePocket({ pocket: id, about });
    if (!outcome.ok) return tellProblem(outcome.problem);
    setWriting(false);
    router.refresh();
    tell("Kept what this pocket is for.", async () => {
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
          {pocket && (
            <IconButton name="Say what this pocket is for" small onClick={() => setWriting(!writing)}>
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
          {children}
        </span>
      </div>
      {pocket?.about && !writing && (
        <p className="mt-0.5 text-[13px] whitespace-pre-wrap text-ink-soft">{pocket.about}</p>
      )}
      {writing && (
        <form onSubmit={keep} className="not-printed mt-1 grid gap-1">
          <textarea
            name="about"
            aria-label="What this pocket is for"
            defaultValue={pocket?.about}
            rows={3}
            maxLength={2000}
            className={`${inputClasses} py-1.5`}
          />
          <div className="flex gap-1">
            <Button size="small" type="submit">
              Keep
            </Button>
            <Button size="small" look="quiet" onClick={() => setWriting(false)}>
              Leave it
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
