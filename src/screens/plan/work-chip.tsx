"use client";
import { useDraggable } from "@dnd-kit/core";
import { clsx } from "clsx";
import type { PlanWork } from "@/core/plan/board";

export const titleOf = (work: Pick<PlanWork, "title" | "part">) =>
  work.part ? `${work.title}, ${work.part}` : work.title;

/** One piece of work in its lesson: pressed it opens, carried it moves; with Space it is taken up, with the arrows moved. */
export function WorkChip({
  work,
  selected,
  done,
  onOpen,
}: {
  work: PlanWork;
  selected: boolean;
  /** Its due moment is over. */
  done: boolean;
  onOpen: () => void;
}) {
  const { setNodeRef, listeners, attributes, isDragging } = useDraggable({
    id: `work-${work.id}`,
    data: { work: work.id, class: work.class, name: titleOf(work) },
  });
  return (
    <button
      ref={setNodeRef}
      {...attributes}
      {...listeners}
      type="button"
      onClick={onOpen}
      aria-pressed={selected}
      title={titleOf(work)}
      className={clsx(
        "flex w-full cursor-grab touch-manipulation items-center gap-2 rounded-[4px] border px-2 py-0.5 text-left text-[13px] leading-5",
        selected ? "border-ink bg-card font-semibold" : "border-green/25 bg-green-wash hover:border-green",
        done && !selected && "border-line bg-shade text-ink-soft",
        isDragging && "opacity-40",
      )}
    >
      <span className="min-w-0 flex-1 truncate">{titleOf(work)}</span>
      <span className="numbers shrink-0 text-ink-soft">
        {work.minutes}
        <span className="heard"> minutes</span>
      </span>
    </button>
  );
}
