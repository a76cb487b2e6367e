"use client";
import { clsx } from "clsx";
import { ArrowUp, Equal, Plus, TriangleAlert, type LucideIcon } from "lucide-react";
import { formatClock } from "@/core/calendar/format-moment";
import type { Standing } from "@/core/hand-over/compare";
import type { HandOverItem } from "@/server/lti/hand-over";
import { Segmented } from "@/ui/segmented";

const looks: Readonly<Record<Standing, { Icon: LucideIcon; colour: string }>> = {
  new: { Icon: Plus, colour: "text-green" },
  updated: { Icon: ArrowUp, colour: "text-slate" },
  "as it is": { Icon: Equal, colour: "text-ink-soft" },
  "changed there": { Icon: TriangleAlert, colour: "text-clay" },
  "gone there": { Icon: TriangleAlert, colour: "text-clay" },
};
const words: Readonly<Record<Standing, string>> = {
  new: "new",
  updated: "updated",
  "as it is": "up to date",
  "changed there": "changed there",
  "gone there": "deleted there",
};

/** How an item here stands to what is there. */
export function StandingMark({ standing, short = false }: { standing: Standing; short?: boolean }) {
  const { Icon, colour } = looks[standing];
  return (
    <span className={clsx("inline-flex shrink-0 items-center gap-1 font-semibold", colour)}>
      <Icon size={15} aria-hidden />
      <span className={short ? "sr-only" : undefined}>{words[standing]}</span>
    </span>
  );
}

const answers = [
  { value: "theirs", text: "Keep theirs" },
  { value: "mine", text: "Send mine" },
] as const;
const fieldNames = { title: "it is called", opens: "it opens", due: "it is due", page: "its page says" } as const;

interface HandOverItemsProps {
  items: readonly HandOverItem[];
  goes: (id: string) => boolean;
  overwrite: readonly string[];
  zone: string;
  now: Date;
  onToggle: (id: string, on: boolean) => void;
  /** `mine`: what is there is replaced by hers. */
  onAnswer: (id: string, mine: boolean) => void;
}

/** Each item with its dates as they will be there; what was changed there is asked about. */
export function HandOverItems({ items, goes, overwrite, zone, now, onToggle, onAnswer }: HandOverItemsProps) {
  const moment = (text: string | null) => (text ? formatClock(new Date(text), zone, now) : null);
  const said = (field: keyof typeof fieldNames, value: string | null) => {
    if (field === "page") return "something else now";
    return value === null ? "no date" : field === "title" ? `“${value}”` : moment(value);
  };
  const date = (now: string | null, was: string | null, none: string) => (
    <>
      {was && <s className="mr-1 text-ink-soft">{moment(was)}</s>}
      {moment(now) ?? <span className="text-ink-soft">{none}</span>}
    </>
  );
  return (
    <div className="min-h-0 flex-1 overflow-auto" tabIndex={0} role="group" aria-label="Items">
      <table className="w-full text-[14px]">
        <thead>
          <tr className="bg-shade text-left text-[13px] text-ink-soft [&_th]:px-3 [&_th]:py-1.5 [&_th]:font-normal">
            <th>
              <span className="sr-only">Send</span>
            </th>
            <th>What</th>
            <th>Opens there</th>
            <th>Due there</th>
            <th>In the course</th>
          </tr>
        </thead>
        <tbody>
          {items.map((item) => {
            const { id, title, isMaterial, dates, compared } = item;
            const asks = compared.standing === "changed there";
            const isFixed = asks || compared.standing === "as it is" || dates.isLeftOut;
            return (
              <tr key={id} className={clsx("border-b border-line align-baseline", asks && "bg-clay-wash")}>
                <td className="w-10 px-3 py-2">
                  <input
                    type="checkbox"
                    aria-label={`Send ${title}`}
                    checked={goes(id)}
                    disabled={isFixed}
                    onChange={(event) => onToggle(id, event.target.checked)}
                    className="size-4 accent-green"
                  />
                </td>
                <td className="px-3 py-2">
                  <span className="font-semibold [overflow-wrap:anywhere]">{title}</span>
                  {isMaterial && <span className="ml-2 text-[13px] text-ink-soft">material</span>}
                  {asks && (
                    <div className="mt-1 flex flex-wrap items-center gap-2 text-[13px]">
                      <span>
                        Somebody changed it in the course:{" "}
                        {compared.there.map(({ field, is }) => `${fieldNames[field]} ${said(field, is)}`).join(", ")}.
                      </span>
                      <Segmented
                        label={`What to do with ${title}`}
                        value={overwrite.includes(id) ? "mine" : "theirs"}
                        options={answers}
                        onChange={(answer) => onAnswer(id, answer === "mine")}
                      />
                    </div>
                  )}
                </td>
                <td className="px-3 py-2 whitespace-nowrap">
                  {isMaterial ? "–" : date(dates.opens, dates.was.opens, "at once")}
                </td>
                <td className="px-3 py-2 whitespace-nowrap">
                  {dates.isLeftOut ? (
                    <span className="text-ink-soft">left out</span>
                  ) : (
                    date(dates.due, dates.was.due, "no date")
                  )}
                </td>
                <td className="px-3 py-2">
                  <StandingMark standing={compared.standing} />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
