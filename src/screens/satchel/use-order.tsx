"use client";
import { useDndMonitor, useDroppable } from "@dnd-kit/core";
import { clsx } from "clsx";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { movedBy, movedOnto } from "@/core/satchel/order";
import { orderPocket } from "@/screens/acts/satchel";
import { orTell } from "@/screens/acts/tried";
import { tell, tellProblem } from "@/ui/toast";

/**
 * The order of what lies in an open pocket: by carrying a line onto another, or by keys. It is shown at once; the pocket
 * is read anew when it is kept. Null `pocket`: what is shown has no order of hers, or not all of it is shown.
 */
export function useOrder(pocket: number | null, ids: readonly number[], titleOf: (id: number) => string) {
  const router = useRouter();
  // Kept until the pocket as read says the same: of several quick moves each stands on the one before, and an answer to an
  // earlier one does not take a later one back.
  const [ahead, setAhead] = useState<readonly number[] | null>(null);
  const same = ahead !== null && ahead.length === ids.length && ahead.every((id) => ids.includes(id));
  if (ahead && (!same || ahead.join() === ids.join())) setAhead(null);
  const order = same ? ahead : ids;

  const change = async (next: number[], moved: number) => {
    if (pocket === null || next.join() === order.join()) return;
    const before = order;
    setAhead(next);
    const outcome = await orderPocket({ pocket, order: next });
    if (!outcome.ok) {
      setAhead(null);
      return tellProblem(outcome.problem);
    }
    router.refresh();
    tell(`“${titleOf(moved)}” is number ${next.indexOf(moved) + 1} now.`, async () => {
      setAhead(before);
      if (!(await orTell(orderPocket({ pocket, order: [...before] })))) setAhead(null);
      router.refresh();
    });
  };
  useDndMonitor({
    onDragEnd: ({ active, over }) => {
      const thing = (active.data.current as { thing?: number } | undefined)?.thing;
      const line = (over?.data.current as { line?: number } | undefined)?.line;
      if (thing !== undefined && line !== undefined) void change(movedOnto(order, thing, line), thing);
    },
  });
  return { order, move: (id: number, by: number) => void change(movedBy(order, id, by), id) };
}

/** Over a line of a pocket: what is carried here takes its place. */
export function LinePlace({ id, title }: { id: number; title: string }) {
  const { setNodeRef, isOver, active } = useDroppable({
    id: `line-${id}`,
    data: { line: id, name: `the place of ${title}` },
  });
  const carried = (active?.data.current as { thing?: number } | undefined)?.thing;
  return (
    <span
      ref={setNodeRef}
      aria-hidden
      className={clsx(
        "pointer-events-none absolute inset-0",
        isOver && carried !== undefined && carried !== id && "border-t-2 border-brass",
      )}
    />
  );
}
