"use client";
import {
  DndContext,
  DragOverlay,
  PointerSensor,
  pointerWithin,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { clsx } from "clsx";
import { useId, useState, type ComponentProps, type ReactNode } from "react";
import { target } from "./props";

// The same object at every rendering. A short way is a press, not a carrying: children's fingers tremble.
const beyondAPress = { activationConstraint: { distance: 8 } };
// What is carried by a pointer is seen. Who hears the page presses, and is told by what the buttons say.
const silent = {
  announcements: { onDragStart: () => "", onDragOver: () => "", onDragEnd: () => "", onDragCancel: () => "" },
};

/** Pieces that can be carried to places with a finger or a mouse, beside pressing one and then the other. */
export function Carry({ onPut, children }: { onPut: (piece: string, place: string) => void; children: ReactNode }) {
  const id = useId();
  const [face, setFace] = useState<ReactNode>(null);
  const sensors = useSensors(useSensor(PointerSensor, beyondAPress));
  return (
    <DndContext
      id={id}
      sensors={sensors}
      collisionDetection={pointerWithin}
      accessibility={silent}
      onDragStart={({ active }) => setFace((active.data.current as { face: ReactNode }).face)}
      onDragEnd={({ active, over }) => over && onPut(String(active.id), String(over.id))}
    >
      {children}
      {/* Above the page, not in it: carried within the page it would make it longer, and it would scroll without end. */}
      <DragOverlay dropAnimation={null}>
        <span className={clsx(target, "flex items-center gap-2 border-green py-1 shadow-soft")}>{face}</span>
      </DragOverlay>
    </DndContext>
  );
}

/** A button that can be pressed, and carried as `piece`. */
export function PieceButton({ piece, className, disabled, ...button }: ComponentProps<"button"> & { piece: string }) {
  const { setNodeRef, listeners, isDragging } = useDraggable({
    id: piece,
    disabled: disabled ?? false,
    data: { face: button.children },
  });
  return (
    <button
      type="button"
      ref={setNodeRef}
      {...listeners}
      {...button}
      disabled={disabled}
      className={clsx(className, "touch-none", isDragging && "opacity-40")}
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
