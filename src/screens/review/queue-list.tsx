"use client";
import { clsx } from "clsx";
import { RefreshCw } from "lucide-react";
import { useEffect, useRef } from "react";
import type { QueueItem } from "@/server/review/review-queue";
import { Key } from "@/ui/key";
import { formatSize, formatWaited, itemIcons, kindOfItem, type ItemKind } from "./item-kinds";

const kinds: ItemKind[] = ["writing", "voice", "photograph", "drawing", "note page", "reply"];
const LONG_MS = 2 * 86_400_000;

/** What waits, by kind and one after another. */
export function QueueList({
  all,
  items,
  chosen,
  kind,
  zone,
  now,
  onKind,
  onChoose,
}: {
  all: readonly QueueItem[];
  items: readonly QueueItem[];
  chosen: string;
  kind: ItemKind | null;
  zone: string;
  now: Date;
  onKind: (kind: ItemKind | null) => void;
  onChoose: (item: QueueItem) => void;
}) {
  const here = useRef<HTMLButtonElement>(null);
  useEffect(() => void here.current?.scrollIntoView({ block: "nearest" }), [chosen]);
  const chip = (on: boolean) =>
    clsx(
      "numbers inline-flex h-8 items-center gap-1 rounded-card border px-2 text-[13px]",
      on ? "border-ink bg-ink font-semibold text-paper" : "border-line bg-card hover:bg-shade",
    );
  return (
    <section aria-label="List" className="flex min-h-0 flex-col border-r border-line max-lg:max-h-72">
      <div className="flex flex-wrap gap-1 p-2.5">
        <button type="button" aria-pressed={kind === null} className={chip(kind === null)} onClick={() => onKind(null)}>
          All {all.length}
        </button>
        {kinds.map((one) => {
          const count = all.filter((item) => kindOfItem(item) === one).length;
          const Icon = itemIcons[one];
          return (
            count > 0 && (
              <button
                key={one}
                type="button"
                aria-pressed={kind === one}
                title={one}
                className={chip(kind === one)}
                onClick={() => onKind(one)}
              >
                <Icon size={14} aria-hidden /> <span className="heard">{one}</span> {count}
              </button>
            )
          );
        })}
      </div>
      <ul className="min-h-0 flex-1 overflow-auto">
        {items.map((item) => {
          const Icon = itemIcons[kindOfItem(item)];
          const on = item.key === chosen;
          return (
            <li key={item.key}>
              <button
                ref={on ? here : null}
                type="button"
                aria-current={on || undefined}
                onClick={() => onChoose(item)}
                className={clsx(
                  "flex w-full items-center gap-3 border-b border-line px-3 py-2 text-left",
                  on ? "bg-shade shadow-[inset_2px_0_0_var(--ink)]" : "hover:bg-shade/60",
                )}
              >
                <span
                  className={clsx(
                    "grid h-8 w-8 shrink-0 place-items-center rounded-card border border-line",
                    on ? "bg-ink text-paper" : "bg-card",
                  )}
                >
                  <Icon size={16} aria-hidden />
                </span>
                <span className="min-w-0 flex-1">
                  <span className="flex items-baseline justify-between gap-2">
                    <strong className="truncate">{item.name}</strong>
                    <span
                      className={clsx(
                        "numbers shrink-0 text-[12px]",
                        now.getTime() - item.sent.getTime() > LONG_MS && item.state === "waiting"
                          ? "font-semibold text-clay"
                          : "text-ink-soft",
                      )}
                    >
                      {item.number > 1 && (
                        <>
                          <RefreshCw size={11} aria-hidden className="mr-0.5 inline" />
                          again ·{" "}
                        </>
                      )}
                      {formatWaited(item.sent, zone, now)}
                    </span>
                  </span>
                  <span className="flex justify-between gap-2 text-[12px] text-ink-soft">
                    <span className="truncate">
                      {item.kind === "reply" ? `reply to ${item.to}` : `${kindOfItem(item)} · ${item.title}`}
                    </span>
                    <span className="numbers shrink-0">{formatSize(item)}</span>
                  </span>
                </span>
              </button>
            </li>
          );
        })}
      </ul>
      <p className="border-t border-line px-3 py-2 text-[12px] text-ink-soft max-lg:hidden">
        <Key>j</Key> <Key>k</Key> next, before · <Key>1</Key>–<Key>9</Key> a phrase
      </p>
    </section>
  );
}
