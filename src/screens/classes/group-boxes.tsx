"use client";
import { useDndMonitor, useDraggable, useDroppable } from "@dnd-kit/core";
import { clsx } from "clsx";
import { ArrowRightLeft } from "lucide-react";
import { formatReadingGrade } from "@/core/content/grade";
import type { GroupRule } from "@/core/roster/groups";

/** A group as it is put together by hand. */
export interface Group {
  name: string;
  students: number[];
}

/** By which groups are made. */
export const rules: { value: GroupRule; text: string }[] = [
  { value: "mixed reading", text: "mixed by reading" },
  { value: "by reading", text: "alike in reading" },
  { value: "by last result", text: "alike in the last result" },
  { value: "at random", text: "at random" },
];

/** A student to be carried to a group, or put there by a choice. */
function Member({
  id,
  name,
  readingGrade,
  groups,
  at,
  onMove,
}: {
  id: number;
  name: string;
  readingGrade: number | null;
  groups: readonly Group[];
  at: number | null;
  onMove: (to: number | null) => void;
}) {
  const { setNodeRef, listeners, attributes, isDragging } = useDraggable({
    id: `member-${id}`,
    data: { member: id, name },
  });
  return (
    <li className={clsx("flex items-center gap-1.5", isDragging && "opacity-40")}>
      <span
        ref={setNodeRef}
        {...attributes}
        {...listeners}
        aria-label={`${name}: carry to a group`}
        className="min-w-0 flex-1 cursor-grab touch-none truncate rounded-[4px] border border-line bg-card px-2 py-1"
      >
        {name}
        {readingGrade !== null && (
          <span className="numbers text-[12px] text-ink-soft"> {formatReadingGrade(readingGrade)}</span>
        )}
      </span>
      <span className="relative shrink-0">
        <ArrowRightLeft
          size={13}
          aria-hidden
          className="pointer-events-none absolute top-[7px] left-[7px] text-ink-soft"
        />
        <select
          aria-label={`Group of ${name}`}
          title="To another group"
          className="h-7 w-7 appearance-none rounded-[4px] border border-line bg-transparent text-transparent [&>option]:text-ink"
          value={at ?? ""}
          onChange={(event) => onMove(event.target.value === "" ? null : Number(event.target.value))}
        >
          <option value="">none</option>
          {groups.map((group, nth) => (
            <option key={nth} value={nth}>
              {group.name}
            </option>
          ))}
        </select>
      </span>
    </li>
  );
}

export function GroupBox({
  id,
  name,
  children,
  className,
}: {
  id: number | null;
  name: string;
  children: React.ReactNode;
  className?: string;
}) {
  const { setNodeRef, isOver } = useDroppable({ id: `group-${id ?? "none"}`, data: { name, group: id } });
  return (
    <section
      ref={setNodeRef}
      className={clsx(
        "rounded-card border bg-shade/50 p-3",
        isOver ? "border-green outline-2 outline-green outline-dashed" : "border-line",
        className,
      )}
    >
      {children}
    </section>
  );
}

/** Students and the group of each, changed by carrying or by a choice. */
export function useGroupMoves(setGroups: (change: (before: Group[]) => Group[]) => void) {
  const move = (student: number, to: number | null) =>
    setGroups((before) =>
      before.map((one, at) => {
        const without = one.students.filter((id) => id !== student);
        return { ...one, students: at === to ? [...without, student] : without };
      }),
    );
  useDndMonitor({
    onDragEnd: ({ active, over }) => {
      const member = (active.data.current as { member?: number } | undefined)?.member;
      const target = over?.data.current as { group?: number | null } | undefined;
      if (member !== undefined && target && "group" in target) move(member, target.group ?? null);
    },
  });
  return move;
}

/** Students of one group, or of none. */
export function Members({
  students,
  groups,
  at,
  onMove,
}: {
  students: readonly { id: number; name: string; readingGrade: number | null }[];
  groups: readonly Group[];
  at: number | null;
  onMove: (student: number, to: number | null) => void;
}) {
  return (
    <ul className="grid grid-cols-[minmax(0,1fr)] gap-1">
      {students.map((student) => (
        <Member key={student.id} {...student} groups={groups} at={at} onMove={(to) => onMove(student.id, to)} />
      ))}
    </ul>
  );
}
