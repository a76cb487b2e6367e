"use client";
import {
  DndContext,
  DragOverlay,
  KeyboardCode,
  KeyboardSensor,
  PointerSensor,
  pointerWithin,
  rectIntersection,
  TouchSensor,
  useSensor,
  useSensors,
  type Announcements,
  type CollisionDetection,
  type KeyboardCoordinateGetter,
} from "@dnd-kit/core";
import { useId, useState, type ReactNode } from "react";

// The same objects at every rendering: otherwise whatever can be carried is drawn anew with every key.
const byMouse = { activationConstraint: { distance: 5 } };
const byFinger = { activationConstraint: { delay: 150, tolerance: 8 } };

/** What lies under the pointer; from the keyboard, which has none, what is most covered. */
const under: CollisionDetection = (args) => {
  const hits = pointerWithin(args);
  return hits.length > 0 ? hits : rectIntersection(args);
};

/** With the arrow keys what is carried jumps to the next place in that direction that takes it. */
const toNextPlace: KeyboardCoordinateGetter = (event, { context }) => {
  const { collisionRect, droppableRects, droppableContainers, over } = context;
  const direction = (
    {
      [KeyboardCode.Down]: [0, 1],
      [KeyboardCode.Up]: [0, -1],
      [KeyboardCode.Right]: [1, 0],
      [KeyboardCode.Left]: [-1, 0],
    } as Record<string, [number, number]>
  )[event.code];
  if (!direction || !collisionRect) return undefined;
  event.preventDefault();
  const [dx, dy] = direction;
  let best: { distance: number; x: number; y: number } | null = null;
  for (const container of droppableContainers.getEnabled()) {
    const rect = droppableRects.get(container.id);
    // Not the place it is over: what lies low in it would only be drawn to its middle.
    if (!rect || rect.width === 0 || container.id === over?.id) continue;
    const x = rect.left + rect.width / 2 - (collisionRect.left + collisionRect.width / 2);
    const y = rect.top + rect.height / 2 - (collisionRect.top + collisionRect.height / 2);
    const along = x * dx + y * dy;
    // The next one that way, and of those the one straight ahead.
    if (along < 12) continue;
    const distance = along + 3 * Math.abs(x * dy + y * dx);
    if (!best || distance < best.distance) best = { distance, x: collisionRect.left + x, y: collisionRect.top + y };
  }
  return best ? { x: best.x, y: best.y } : undefined;
};
const byKeys = { coordinateGetter: toNextPlace };

const nameOf = (what: { data: { current?: unknown } } | null) =>
  (what?.data.current as { name?: string } | undefined)?.name ?? "it";

/** What is heard while something is carried. Places say in `data.name` what they are. */
const announcements: Announcements = {
  onDragStart: ({ active }) => `${nameOf(active)} is picked up. The arrow keys move it, Space puts it down.`,
  onDragOver: ({ over }) => (over ? `over ${nameOf(over)}` : undefined),
  onDragEnd: ({ active, over }) => `${nameOf(active)} is put down${over ? ` on ${nameOf(over)}` : " where it was"}.`,
  onDragCancel: ({ active }) => `${nameOf(active)} stays where it was.`,
};

/**
 * Carrying things by mouse, finger or keyboard: resources into pockets and onto lessons, pockets to their places, work
 * from lesson to lesson. What is carried says what it is in `data.name`.
 */
export function Carrying({ children }: { children: ReactNode }) {
  const id = useId();
  const [name, setName] = useState<string | null>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, byMouse),
    useSensor(TouchSensor, byFinger),
    useSensor(KeyboardSensor, byKeys),
  );
  return (
    <DndContext
      id={id}
      sensors={sensors}
      collisionDetection={under}
      accessibility={{ announcements }}
      onDragStart={({ active }) => setName((active.data.current as { name: string } | undefined)?.name ?? null)}
      onDragEnd={() => setName(null)}
      onDragCancel={() => setName(null)}
    >
      {children}
      <DragOverlay dropAnimation={null}>
        {name !== null && (
          <span className="inline-block max-w-56 truncate rounded-card border border-ink bg-card px-3 py-1.5 shadow-soft">
            {name}
          </span>
        )}
      </DragOverlay>
    </DndContext>
  );
}
