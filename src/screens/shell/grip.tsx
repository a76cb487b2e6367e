"use client";
import { useDraggable } from "@dnd-kit/core";
import { GripVertical } from "lucide-react";
import { useId } from "react";

/** Where one resource is taken hold of. With the keyboard the same is done from menus, and with s for a lesson. */
export function Grip({ id, title }: { id: number; title: string }) {
  // The same thing may be in a list and on the light table at once.
  const place = useId();
  const { setNodeRef, listeners } = useDraggable({ id: `thing-${id}-${place}`, data: { thing: id, name: title } });
  return (
    <span
      ref={setNodeRef}
      {...listeners}
      title={`Carry “${title}” to a lesson or a pocket`}
      className="flex cursor-grab touch-none pr-0.5 text-ink-soft"
    >
      <GripVertical size={14} aria-hidden />
    </span>
  );
}
