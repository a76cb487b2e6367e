"use client";
import {
  DndContext,
  PointerSensor,
  pointerWithin,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { CSS } from "@dnd-kit/utilities";
import { clsx } from "clsx";
import { useId, type ComponentProps, type ReactNode } from "react";

// The same object at every rendering. A short way is a press, not a carrying: children's fingers tremble.
const beyondAPress = { activationConstraint: { distance: 8 } };
// What is carried by a pointer is seen. Who hears the page presses, and is told by what the buttons say.
const silent = {
  announcements: { onDragStart: () => "", onDragOver: () => "", onDragEnd: () => "", onDragCancel: () => "" },
};

/** Pieces that can be carried to places with a finger or a mouse, beside pressing one and then the other. */
export function Carry({ onPut, children }: { onPut: (piece: string, place: string) => void; children: ReactNode }) {
  const id = useId();
  const sensors = useSensors(useSensor(PointerSensor, beyondAPress));
  return (
    <DndContext
      id={id}
      sensors={sensors}
      collisionDetection={pointerWithin}
      accessibility={silent}
      onDragEnd={({ active, over }) => over && onPut(String(active.id), String(over.id))}
    >
      {children}
    </DndContext>
  );
}

/** A button that can be pressed, and carried as `piece`. */
export function PieceButton({ piece, className, disabled, ...button }: ComponentProps<"button"> & { piece: string }) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: piece, disabled: disabled ?? false });
  return (
    <button
      type="button"
      ref={setNodeRef}
      {...listeners}
      {...button}
      disabled={disabled}
      style={{ transform: CSS.Translate.toString(transform) }}
      className={clsx(className, "touch-none", isDragging && "relative z-20 shadow-soft")}
    />
  );
}

/** Where a piece can be put down; marked while one is over it. */
export function Place({
  place,
  className,
  over = "border-green bg-green-wash",
  ...rest
}: ComponentProps<"div"> & { place: string; over?: string }) {
  const { setNodeRef, isOver } = useDroppable({ id: place });
  return <div ref={setNodeRef} className={clsx(className, isOver && over)} {...rest} />;
}
