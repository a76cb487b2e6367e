"use client";
import { useDraggable, useDroppable } from "@dnd-kit/core";
import { clsx } from "clsx";
import { useState, type FormEvent, type ReactNode } from "react";
import type { PocketColour } from "@/core/satchel/filter";
import { Button } from "@/ui/button";
import { TextInput } from "@/ui/field";

/** Colours to tell pockets by at a glance; their names say the same. Brass is not among them: it means something here. */
export const colours: Record<PocketColour, { text: string; fill: string }> = {
  plain: { text: "text-ink-soft", fill: "bg-card" },
  moss: { text: "text-green", fill: "bg-green" },
  slate: { text: "text-slate", fill: "bg-slate" },
  clay: { text: "text-clay", fill: "bg-clay" },
  plum: { text: "text-[#7b4b74] dark:text-[#c79bc0]", fill: "bg-[#7b4b74]" },
  sand: { text: "text-line-strong", fill: "bg-line-strong" },
};

export function NameForm({
  start,
  label,
  onName,
  onLeave,
}: {
  start: string;
  label: string;
  onName: (name: string) => Promise<string | null>;
  onLeave: () => void;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const name = String(new FormData(event.currentTarget).get("name"));
    setProblem(await onName(name));
  };
  return (
    <form onSubmit={submit} className="px-2 py-1">
      <TextInput
        name="name"
        autoFocus
        aria-label={label}
        defaultValue={start}
        maxLength={80}
        onKeyDown={(event) => event.key === "Escape" && onLeave()}
        aria-invalid={problem !== null}
      />
      {problem && (
        <p role="alert" className="mt-1 text-[13px] font-semibold text-clay">
          {problem}
        </p>
      )}
      <div className="mt-1 flex gap-1">
        <Button size="small" type="submit">
          Keep
        </Button>
        <Button size="small" look="quiet" onClick={onLeave}>
          Cancel
        </Button>
      </div>
    </form>
  );
}

/** A line of the list. A pocket takes what is dropped on it, and is itself carried by its picture to another place. */
export function Entry({
  pocket,
  here,
  icon,
  text,
  count,
  inside = false,
  onOpen,
  menu,
}: {
  /** Which pocket it is; what is none takes nothing. */
  pocket?: number;
  /** Stands inside the pocket above it. */
  inside?: boolean;
  here: boolean;
  icon: ReactNode;
  text: string;
  count: number;
  onOpen: () => void;
  menu?: ReactNode;
}) {
  const place = { id: `pocket-${pocket}`, disabled: pocket === undefined, data: { pocket, name: text } };
  const { setNodeRef: takes, isOver } = useDroppable(place);
  const { setNodeRef: carries, listeners } = useDraggable(place);
  return (
    <li
      ref={takes}
      className={clsx(
        "group flex items-center rounded-card pr-1",
        inside && "ml-4",
        isOver && "outline-2 outline-green outline-dashed",
        here ? "bg-card font-semibold shadow-[inset_2px_0_0_var(--ink)]" : "hover:bg-card/60",
      )}
    >
      <button
        type="button"
        aria-current={here || undefined}
        onClick={onOpen}
        title={text}
        className="flex h-9 min-w-0 flex-1 items-center gap-2 pl-2.5 text-left"
      >
        <span
          ref={carries}
          {...listeners}
          className={clsx("text-ink-soft", pocket !== undefined && "cursor-grab touch-none")}
        >
          {icon}
        </span>
        <span className="truncate">{text}</span>
        <span className="numbers ml-auto pr-1 text-[13px] font-normal text-ink-soft">{count}</span>
      </button>
      {menu ?? <span className="w-7" />}
    </li>
  );
}
