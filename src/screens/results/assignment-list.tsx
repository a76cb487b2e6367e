"use client";
import { clsx } from "clsx";
import { formatDay } from "@/core/calendar/format-moment";
import type { Assignment } from "@/data/assign/assignments";
import { Button } from "@/ui/button";
import { useAddress } from "../use-address";

/** What has been opened for her classes, the latest first. */
export function AssignmentList({
  assignments,
  more,
  here,
  zone,
  now,
}: {
  assignments: readonly Assignment[];
  /** There are earlier ones. */
  more: boolean;
  here: number;
  zone: string;
  now: Date;
}) {
  const { go } = useAddress();
  return (
    <nav aria-label="Assignments" className="not-printed min-h-0 flex-1 overflow-auto p-2 max-md:max-h-32">
      <ul className="grid grid-cols-1 gap-0.5">
        {assignments.map((one) => (
          <li key={one.id}>
            <button
              type="button"
              aria-current={one.id === here || undefined}
              onClick={() => go({ assignment: one.id, student: null, next: null }, "push")}
              className={clsx(
                "block w-full rounded-card px-3 py-1.5 text-left",
                one.id === here ? "bg-card font-semibold shadow-[inset_2px_0_0_var(--ink)]" : "hover:bg-card/60",
              )}
            >
              <span className="block truncate" title={one.part ? `${one.title}, ${one.part}` : one.title}>
                {one.title}
              </span>
              <span className="numbers block text-[12px] font-normal text-ink-soft">
                {one.part && `${one.part} · `}
                {one.className} · {one.handedIn} of {one.recipients} · {formatDay(one.due, zone, now)}
              </span>
            </button>
          </li>
        ))}
      </ul>
      {more && (
        <Button size="small" className="my-2 ml-3" onClick={() => go({ earlier: 1 }, "push")}>
          Earlier assignments
        </Button>
      )}
    </nav>
  );
}
