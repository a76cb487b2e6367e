"use client";
import { ArrowRight } from "lucide-react";
import { formatList } from "@/core/format-list";
import type { Missed } from "@/core/results/missed";
import { Button } from "@/ui/button";
import { Key } from "@/ui/key";
import { saysMissed } from "./what-next";

/** At the foot of the results: the groups that missed most together, and the way to do something about it. */
export function NextStrip({ groups, onOpen }: { groups: readonly Missed[]; onOpen: () => void }) {
  if (groups.length === 0) return null;
  return (
    <section
      aria-label="What was missed together"
      className="not-printed flex min-w-0 items-center gap-4 border-t border-line bg-shade/60 px-5 py-2 text-[13px] max-md:px-3"
    >
      <ul className="min-w-0 flex-1">
        {groups.slice(0, 2).map((group) => (
          <li key={JSON.stringify(group.what)} className="truncate">
            <strong>{saysMissed(group)}</strong>
            <span className="text-ink-soft">
              {" "}
              · {formatList(group.students.map(({ name }) => name.split(" ")[0]!))}
            </span>
          </li>
        ))}
      </ul>
      <Button onClick={onOpen}>
        What next <ArrowRight size={16} aria-hidden /> <Key>n</Key>
      </Button>
    </section>
  );
}
