"use client";
import { useDndMonitor, useDraggable, useDroppable } from "@dnd-kit/core";
import { clsx } from "clsx";
import { Printer } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState, useTransition, type KeyboardEvent } from "react";
import { moveDesk, rowsOfPairs, type Desk } from "@/core/roster/seating";
import type { Class, Student } from "@/data/classes/classes";
import type { Seat } from "@/data/classes/groups";
import { keepSeats } from "@/screens/acts/groups";
import { Button } from "@/ui/button";
import { tell, tellProblem } from "@/ui/toast";

const ACROSS = 9;

function Place({ x, y, desk, children }: { x: number; y: number; desk: boolean; children: React.ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({
    id: `place-${x}-${y}`,
    data: { name: `row ${y + 1}, place ${x + 1}`, desk: { x, y } },
  });
  return (
    <div
      ref={setNodeRef}
      className={clsx(
        "h-14 rounded-[4px] border border-dashed",
        isOver ? "border-green bg-green-wash" : desk ? "border-transparent" : "border-line/70 print:border-transparent",
      )}
    >
      {children}
    </div>
  );
}

function DeskButton({ student, onStep }: { student: Student; onStep: (dx: number, dy: number) => void }) {
  const { setNodeRef, listeners, isDragging } = useDraggable({
    id: `desk-${student.id}`,
    data: { seated: student.id, name: `${student.givenName} ${student.familyName}` },
  });
  const onKey = (event: KeyboardEvent) => {
    const step = {
      ArrowLeft: [-1, 0],
      ArrowRight: [1, 0],
      ArrowUp: [0, -1],
      ArrowDown: [0, 1],
    }[event.key];
    if (!step) return;
    event.preventDefault();
    onStep(step[0]!, step[1]!);
  };
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...listeners}
      onKeyDown={onKey}
      aria-label={`${student.givenName} ${student.familyName}: the arrow keys move the desk`}
      className={clsx(
        "h-full w-full cursor-grab touch-none rounded-[4px] border border-line-strong bg-card px-1.5 text-left leading-tight",
        isDragging && "opacity-40",
      )}
    >
      <span className="block truncate font-semibold">{student.givenName}</span>
      <span className="block truncate text-[12px] text-ink-soft">{student.familyName}</span>
    </button>
  );
}

/** The room as the teacher sees it from the front: desks are carried, or moved with the arrow keys. */
export function SeatsView({ group, students, seats }: { group: Class; students: Student[]; seats: Seat[] }) {
  const ids = students.map(({ id }) => id);
  const kept: Desk[] = seats.filter(({ student }) => ids.includes(student));
  const unseated = ids.filter((id) => !kept.some(({ student }) => student === id));
  const start: Desk[] =
    kept.length === 0
      ? rowsOfPairs(ids)
      : [
          ...kept,
          // Anyone who is new stands behind the last row until she is given a place.
          ...rowsOfPairs(unseated).map((desk) => ({ ...desk, y: desk.y + 1 + Math.max(...kept.map(({ y }) => y)) })),
        ];
  const [desks, setDesks] = useState(start);
  const [changed, setChanged] = useState(kept.length === 0);
  const [busy, begin] = useTransition();
  const router = useRouter();
  const rows = Math.min(30, Math.max(5, 2 + Math.max(0, ...desks.map(({ y }) => y))));
  const move = (student: number, to: { x: number; y: number }) => {
    if (to.x < 0 || to.x >= ACROSS || to.y < 0 || to.y > 29) return;
    setDesks((before) => moveDesk(before, student, to));
    setChanged(true);
  };
  useDndMonitor({
    onDragEnd: ({ active, over }) => {
      const seated = (active.data.current as { seated?: number } | undefined)?.seated;
      const place = (over?.data.current as { desk?: { x: number; y: number } } | undefined)?.desk;
      if (seated !== undefined && place) move(seated, place);
    },
  });
  const keep = () =>
    begin(async () => {
      const outcome = await keepSeats({ class: group.id, seats: desks });
      if (!outcome.ok) return tellProblem(outcome.problem);
      setChanged(false);
      router.refresh();
      tell("The seating plan is saved.");
    });
  const byId = new Map(students.map((student) => [student.id, student]));
  return (
    <section aria-labelledby="seats">
      <div className="mb-3 flex items-center gap-2">
        <h2 id="seats" className="flex-1 text-ink-soft">
          <span className="not-printed">Front of the room above. Carry a desk, or move it with the arrow keys.</span>
          <span className="hidden print:inline">{group.name}</span>
        </h2>
        <span className="not-printed flex gap-2">
          <Button
            onClick={() => {
              setDesks(rowsOfPairs(ids));
              setChanged(true);
            }}
          >
            In rows again
          </Button>
          <Button onClick={() => window.print()}>
            <Printer size={15} aria-hidden /> Print
          </Button>
          <Button look="main" disabled={busy || !changed} onClick={keep}>
            Keep
          </Button>
        </span>
      </div>
      <p className="mb-2 rounded-[4px] bg-shade py-1 text-center text-[13px] text-ink-soft">board</p>
      <div className="grid gap-1.5" style={{ gridTemplateColumns: `repeat(${ACROSS}, minmax(0, 1fr))` }}>
        {Array.from({ length: rows * ACROSS }, (_, at) => {
          const [x, y] = [at % ACROSS, Math.floor(at / ACROSS)];
          const desk = desks.find((one) => one.x === x && one.y === y);
          const student = desk && byId.get(desk.student);
          return (
            <Place key={at} x={x} y={y} desk={Boolean(student)}>
              {student && (
                <DeskButton student={student} onStep={(dx, dy) => move(student.id, { x: x + dx, y: y + dy })} />
              )}
            </Place>
          );
        })}
      </div>
    </section>
  );
}
