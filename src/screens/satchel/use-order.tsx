"use client";
import { useDndMonitor, useDroppable } from "@dnd-kit/core";
import { clsx } from "clsx";
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { besides, movedBy, movedOnto } from "@/core/satchel/order";
import { movePocketItem } from "@/screens/acts/pockets";
import { orTell } from "@/screens/acts/tried";
import { tell } from "@/ui/toast";

/**
 * The order of what lies in an open pocket: by carrying a line onto another, or by keys. It is shown at once; the pocket
 * is read anew when it is kept. Null `pocket`: what is shown has no order of hers, or not all of it is shown. `read`: what was last
 * read; another object each time.
 */
export function useOrder(
  pocket: number | null,
  ids: readonly number[],
  titleOf: (id: number) => string,
  read: unknown,
) {
  const router = useRouter();
  // Of several quick moves each stands on the one before, and an answer to an earlier one does not take a later one back: what was moved
  // is shown until the last move is kept and the pocket has been read since. A colleague may have moved things meanwhile.
  const [ahead, setAhead] = useState<{ order: readonly number[]; keptOver?: unknown } | null>(null);
  const under = useRef(0);
  const seen = useRef(read);
  useEffect(() => {
    seen.current = read;
  }, [read]);
  const same = ahead !== null && ahead.order.length === ids.length && ahead.order.every((id) => ids.includes(id));
  const readSince = ahead !== null && "keptOver" in ahead && ahead.keptOver !== read;
  if (ahead && (!same || readSince || ahead.order.join() === ids.join())) setAhead(null);
  const order = same ? ahead.order : ids;

  /** Shows an order and keeps the move that led to it. */
  const keep = async (next: readonly number[], send: () => Promise<boolean>) => {
    setAhead({ order: next });
    under.current += 1;
    const kept = await send();
    under.current -= 1;
    if (!kept) setAhead(null);
    else if (under.current === 0) setAhead((now) => now && { ...now, keptOver: seen.current });
    router.refresh();
    return kept;
  };
  const change = async (next: number[], moved: number) => {
    if (pocket === null || next.join() === order.join()) return;
    const before = order;
    const move = (to: readonly number[]) => movePocketItem({ pocket, resource: moved, ...besides(to, moved) });
    if (!(await keep(next, () => orTell(move(next))))) return;
    tell(`“${titleOf(moved)}” is number ${next.indexOf(moved) + 1} now.`, async () => {
      await keep(before, () => orTell(move(before)));
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
