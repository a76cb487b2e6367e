"use client";
import {
  DndContext,
  DragOverlay,
  PointerSensor,
  TouchSensor,
  useDraggable,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { GripVertical } from "lucide-react";
import { useId, useState, type ReactNode } from "react";

// The same objects at every rendering: otherwise whatever can be carried is drawn anew with every key.
const byMouse = { activationConstraint: { distance: 5 } };
const byFinger = { activationConstraint: { delay: 150, tolerance: 8 } };

/**
 * Carrying things to pockets and pockets to their places, by mouse or finger. With the keyboard the same is done by the
 * menus: what is ticked is put into a pocket, a pocket moved up, down or inside another.
 */
export function Carrying({ children }: { children: ReactNode }) {
  const id = useId();
  const [name, setName] = useState<string | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, byMouse), useSensor(TouchSensor, byFinger));
  return (
    <DndContext
      id={id}
      sensors={sensors}
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

/** Where one thing is taken hold of. */
export function Grip({ id, title }: { id: number; title: string }) {
  const { setNodeRef, listeners } = useDraggable({ id: `thing-${id}`, data: { thing: id, name: title } });
  return (
    <span
      ref={setNodeRef}
      {...listeners}
      title={`Carry “${title}” to a pocket`}
      className="cursor-grab touch-none pr-0.5 text-ink-soft"
    >
      <GripVertical size={14} aria-hidden />
    </span>
  );
}
