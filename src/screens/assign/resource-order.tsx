"use client";
import { ArrowDown, ArrowUp } from "lucide-react";
import { arrayMove } from "@dnd-kit/sortable";
import { IconButton } from "@/ui/icon-button";

/** Several things given at once, in the order students meet them. */
export function ResourceOrder({
  resources,
  order,
  onChange,
}: {
  resources: readonly { id: number; title: string }[];
  order: readonly number[];
  onChange: (order: number[]) => void;
}) {
  const move = (at: number, to: number) => onChange(arrayMove([...order], at, to));
  return (
    <ol aria-label="In this order" className="mt-2 grid max-h-56 gap-0.5 overflow-auto">
      {order.map((id, at) => {
        const title = resources.find((one) => one.id === id)?.title ?? "";
        return (
          <li key={id} className="flex items-center gap-2">
            <span className="numbers w-6 shrink-0 text-right text-ink-soft">{at + 1}</span>
            <span className="min-w-0 flex-1 truncate" title={title}>
              {title}
            </span>
            <IconButton name={`“${title}” earlier`} small disabled={at === 0} onClick={() => move(at, at - 1)}>
              <ArrowUp size={14} aria-hidden />
            </IconButton>
            <IconButton
              name={`“${title}” later`}
              small
              disabled={at === order.length - 1}
              onClick={() => move(at, at + 1)}
            >
              <ArrowDown size={14} aria-hidden />
            </IconButton>
          </li>
        );
      })}
    </ol>
  );
}
