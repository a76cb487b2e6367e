"use client";
import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  TouchSensor,
  closestCenter,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import {
  SortableContext,
  arrayMove,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { clsx } from "clsx";
import { ArrowDown, ArrowUp, GripVertical } from "lucide-react";
import { useId } from "react";
import { inLanguage } from "@/core/content/language";
import { partLook, target, type QuestionProps } from "./props";
import { useTranslations } from "use-intl";

function Item({
  id,
  text,
  at,
  last,
  readOnly,
  part,
  onMove,
}: {
  id: string;
  text: string;
  at: number;
  last: number;
  readOnly: boolean;
  part: boolean | undefined;
  onMove: (to: number) => void;
}) {
  const t = useTranslations("question");
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id,
    disabled: readOnly,
  });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Transform.toString(transform), transition }}
      className={clsx(
        target,
        "flex items-center gap-2 !px-2",
        partLook(part),
        isDragging && "relative z-10 shadow-soft",
      )}
    >
      <button
        type="button"
        disabled={readOnly}
        {...attributes}
        {...listeners}
        aria-label={t("moveItem", { name: text, number: at + 1 })}
        className="grid h-12 w-8 touch-none place-items-center text-ink-soft"
      >
        <GripVertical size={18} aria-hidden />
      </button>
      <span className="numbers w-5 text-ink-soft">{at + 1}</span>
      <span className="flex-1 py-1">{text}</span>
      <button
        type="button"
        aria-label={t("up", { name: text })}
        disabled={readOnly || at === 0}
        onClick={() => onMove(at - 1)}
        className="grid h-12 w-12 place-items-center disabled:opacity-30"
      >
        <ArrowUp size={18} aria-hidden />
      </button>
      <button
        type="button"
        aria-label={t("down", { name: text })}
        disabled={readOnly || at === last}
        onClick={() => onMove(at + 1)}
        className="grid h-12 w-12 place-items-center disabled:opacity-30"
      >
        <ArrowDown size={18} aria-hidden />
      </button>
    </li>
  );
}

/** Dragging, arrows on the grip, or the up and down buttons: three ways to the same order. */
export function OrderView({
  question,
  value,
  onChange,
  readOnly,
  languages,
  parts,
  labelledBy,
}: QuestionProps<"order">) {
  const contextId = useId();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 120, tolerance: 8 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const start = question.items.map((item) => item.id);
  const ids = value && value.length === start.length ? value : start;
  const move = (from: number, to: number) => onChange(arrayMove([...ids], from, to));
  return (
    <DndContext
      id={contextId}
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={({ active, over }) =>
        over && active.id !== over.id && move(ids.indexOf(String(active.id)), ids.indexOf(String(over.id)))
      }
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ol aria-labelledby={labelledBy} className="grid gap-2">
          {ids.map((id, at) => {
            const item = question.items.find((candidate) => candidate.id === id);
            if (!item) return null;
            return (
              <Item
                key={id}
                id={id}
                text={inLanguage(item.text, languages) ?? ""}
                at={at}
                last={ids.length - 1}
                readOnly={readOnly}
                part={value ? parts[id] : undefined}
                onMove={(to) => move(at, to)}
              />
            );
          })}
        </ol>
      </SortableContext>
    </DndContext>
  );
}
