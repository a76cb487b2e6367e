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
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { clsx } from "clsx";
import { ArrowDown, ArrowUp, Copy, GripVertical, Library, ChevronDown, Plus, Trash2 } from "lucide-react";
import { memo, useEffect, useId, useMemo, useRef, useState } from "react";
import { mainActivity } from "@/core/resource/activity";
import { stepTitle, type Changes } from "@/core/resource/changes";
import type { Document, Step } from "@/core/resource/document";
import type { Unfinished } from "@/core/resource/unfinished";
import { most } from "@/core/content/vocabulary";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { IconButton } from "@/ui/icon-button";
import { Menu, MenuItem, MenuLine } from "@/ui/menu";
import { ActivityIcon } from "../step/activity-icon";

/** What can be done with one step. The same object at every rendering, so that a key typed in one step draws no other anew. */
interface SpineActs {
  tick: (id: string, on: boolean) => void;
  pick: (id: string) => void;
  copy: (id: string) => void;
  remove: (id: string) => void;
  add: (at: number) => void;
}

// The same objects at every rendering: otherwise whatever can be dragged is drawn anew with every key.
const byMouse = { activationConstraint: { distance: 4 } };
const byFinger = { activationConstraint: { delay: 150, tolerance: 8 } };
const byKeys = { coordinateGetter: sortableKeyboardCoordinates };

const saysChange = { new: "new", changed: "changed", moved: "moved" } as const;

const SpineStep = memo(function SpineStep({
  step,
  at,
  here,
  languages,
  remark,
  problem,
  ticked,
  act,
}: {
  step: Step;
  at: number;
  here: boolean;
  languages: readonly string[];
  remark: string | null;
  problem: string | null;
  /** Null: not several are being chosen. */
  ticked: boolean | null;
  act: SpineActs;
}) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: step.id });
  const title = stepTitle(step, languages);
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Transform.toString(transform), transition }}
      className={clsx(
        "group flex items-start rounded-card border py-1",
        here ? "border-ink bg-card" : "border-transparent hover:border-line",
        isDragging && "relative z-10 bg-card shadow-soft",
      )}
    >
      {ticked !== null && (
        <span className="grid h-7 w-6 place-items-center">
          <Checkbox label={`Step ${at + 1}: ${title}`} checked={ticked} onChange={(on) => act.tick(step.id, on)} />
        </span>
      )}
      <button
        type="button"
        {...attributes}
        {...listeners}
        aria-label={`Move “${title}”, now step ${at + 1}`}
        className="grid h-7 w-6 touch-none place-items-center text-ink-soft"
      >
        <GripVertical size={14} aria-hidden />
      </button>
      <button
        type="button"
        aria-current={here ? "step" : undefined}
        onClick={() => act.pick(step.id)}
        title={title}
        className="grid min-w-0 flex-1 grid-cols-[1.25rem_1.25rem_1fr_auto] items-baseline gap-x-1 py-1 text-left"
      >
        <span className="numbers text-[13px] text-ink-soft">{at + 1}</span>
        <span className="translate-y-0.5 text-ink-soft">
          <ActivityIcon activity={mainActivity(step)} size={15} name />
        </span>
        <span className={clsx("truncate", here && "font-semibold")}>{title}</span>
        <span className="numbers text-ink-soft">{step.minutes ?? "–"}</span>
        {(problem || remark || step.audience === "teacher") && (
          <span className={clsx("col-start-3 text-[12px]", problem ? "text-clay" : "text-ink-soft")}>
            {problem ?? [step.audience === "teacher" && "only for me", remark].filter(Boolean).join(" · ")}
          </span>
        )}
      </button>
      <Menu
        trigger={
          <button
            type="button"
            aria-label={`More for step ${at + 1}`}
            className="inline-flex h-7 items-center gap-0.5 rounded px-1 text-[12px] text-ink-soft hover:bg-shade"
          >
            More <ChevronDown size={13} aria-hidden />
          </button>
        }
      >
        <MenuItem onSelect={() => act.add(at)}>
          <Plus size={15} aria-hidden /> A step before it
        </MenuItem>
        <MenuItem onSelect={() => act.add(at + 1)}>
          <Plus size={15} aria-hidden /> A step after it
        </MenuItem>
        <MenuLine />
        <MenuItem onSelect={() => act.copy(step.id)}>
          <Copy size={15} aria-hidden /> Duplicate
        </MenuItem>
        <MenuItem onSelect={() => act.remove(step.id)}>
          <Trash2 size={15} aria-hidden /> Remove
        </MenuItem>
      </Menu>
    </li>
  );
});

/** The steps in order: picked, dragged (mouse, finger, or Space and arrows on the grip), duplicated, removed, added. */
export function Spine({
  document,
  current,
  changes,
  problems,
  periodMinutes,
  onPick,
  onMove,
  onMoveSeveral,
  onCopy,
  onRemove,
  onAdd,
  elsewhere,
  onElsewhere,
}: {
  document: Document;
  current: string | null;
  changes: Changes | null;
  problems: readonly Unfinished[];
  periodMinutes: number | null;
  onPick: (id: string) => void;
  onMove: (from: number, to: number) => void;
  onMoveSeveral: (ids: readonly string[], by: -1 | 1) => void;
  onCopy: (ids: readonly string[]) => void;
  onRemove: (ids: readonly string[]) => void;
  /** At a place, or after the one that is open. */
  onAdd: (at?: number) => void;
  elsewhere: boolean;
  onElsewhere: () => void;
}) {
  const contextId = useId();
  const [several, setSeveral] = useState<readonly string[] | null>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, byMouse),
    useSensor(TouchSensor, byFinger),
    useSensor(KeyboardSensor, byKeys),
  );
  const order = document.steps.map((step) => step.id).join(" ");
  const ids = useMemo(() => (order === "" ? [] : order.split(" ")), [order]);
  const chosen = several?.filter((id) => ids.includes(id)) ?? [];
  const latest = useRef({ onPick, onCopy, onRemove, onAdd });
  useEffect(() => {
    latest.current = { onPick, onCopy, onRemove, onAdd };
  });
  const act = useMemo<SpineActs>(
    () => ({
      tick: (id, on) => setSeveral((now) => (on ? [...(now ?? []), id] : (now ?? []).filter((one) => one !== id))),
      pick: (id) => latest.current.onPick(id),
      copy: (id) => latest.current.onCopy([id]),
      remove: (id) => latest.current.onRemove([id]),
      add: (at) => latest.current.onAdd(at),
    }),
    [],
  );
  const full = document.steps.length >= most.steps;
  const minutes = document.steps.reduce((sum, step) => sum + (step.minutes ?? 0), 0);
  return (
    <section aria-label="Steps" className="flex h-full flex-col overflow-auto bg-shade/60 p-2.5">
      <p className="mb-2 flex justify-between px-2 text-[13px] text-ink-soft">
        <span>
          Steps
          {ids.length > 1 && (
            <button
              type="button"
              aria-pressed={several !== null}
              className="ml-2 text-green underline"
              onClick={() => setSeveral(several ? null : [])}
            >
              {several ? "one at a time" : "several"}
            </button>
          )}
        </span>
        <span className="numbers">
          {minutes}
          {periodMinutes !== null && ` of ${periodMinutes}`} min
        </span>
      </p>
      <DndContext
        id={contextId}
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={({ active, over }) =>
          over && active.id !== over.id && onMove(ids.indexOf(String(active.id)), ids.indexOf(String(over.id)))
        }
      >
        <SortableContext items={ids} strategy={verticalListSortingStrategy}>
          <ol className="grid gap-0.5">
            {document.steps.map((step, at) => {
              const change = changes?.steps[step.id];
              return (
                <SpineStep
                  key={step.id}
                  step={step}
                  at={at}
                  here={step.id === current}
                  languages={document.languages}
                  remark={change ? saysChange[change] : null}
                  problem={problems.find((one) => one.step === step.id)?.problem ?? null}
                  ticked={several && several.includes(step.id)}
                  act={act}
                />
              );
            })}
          </ol>
        </SortableContext>
      </DndContext>
      {chosen.length > 0 && (
        <div role="toolbar" aria-label="With the chosen steps" className="mt-2 flex items-center gap-1 px-1">
          <span className="numbers flex-1 text-[13px]">{chosen.length} chosen</span>
          <IconButton name="Chosen steps up" small onClick={() => onMoveSeveral(chosen, -1)}>
            <ArrowUp size={15} aria-hidden />
          </IconButton>
          <IconButton name="Chosen steps down" small onClick={() => onMoveSeveral(chosen, 1)}>
            <ArrowDown size={15} aria-hidden />
          </IconButton>
          <IconButton name="Duplicate the chosen steps" small onClick={() => onCopy(chosen)}>
            <Copy size={15} aria-hidden />
          </IconButton>
          <IconButton
            name="Remove the chosen steps"
            small
            onClick={() => {
              onRemove(chosen);
              setSeveral(null);
            }}
          >
            <Trash2 size={15} aria-hidden />
          </IconButton>
        </div>
      )}
      <Button className="mt-3 border-dashed" disabled={full} onClick={() => onAdd()}>
        <Plus size={16} aria-hidden /> Step
      </Button>
      {full && (
        <p className="mt-1 px-1 text-[13px] text-ink-soft">{most.steps} steps are the most a resource can have.</p>
      )}
      <Button className="mt-1" look="quiet" aria-expanded={elsewhere} onClick={onElsewhere}>
        <Library size={16} aria-hidden /> {elsewhere ? "Back to the step" : "Take from elsewhere"}
      </Button>
    </section>
  );
}
