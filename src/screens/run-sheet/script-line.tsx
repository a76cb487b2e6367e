"use client";
import { clsx } from "clsx";
import { Dices, Link2, RefreshCw, X } from "lucide-react";
import { useEffect, useRef } from "react";
import type { SheetLine } from "@/core/run-sheet/schema";
import { chosenHow, type ChosenHow } from "@/core/run-sheet/vocabulary";
import { Button } from "@/ui/button";
import { IconButton } from "@/ui/icon-button";
import { kindLooks, whoNames } from "./looks";

export interface LineActs {
  onText: (text: string) => void;
  onKind: (by: 1 | -1) => void;
  onWho: (who: ChosenHow | undefined) => void;
  onAdd: () => void;
  onRemove: () => void;
  onMove: (by: 1 | -1) => void;
  onFocus: () => void;
  /** To the line before or after. */
  onGo: (by: 1 | -1) => void;
  onFollow: () => void;
  onKeep: () => void;
}

/** One line of the script: Tab turns its kind, Enter begins the next, Escape leaves it. */
export function ScriptLine({
  line,
  here,
  wanted,
  changed,
  acts,
}: {
  line: SheetLine;
  /** The keys are in it. */
  here: boolean;
  /** It is to be written in now. */
  wanted: boolean;
  /** Its source says something else by now (null: it is gone); undefined: it does not. */
  changed: string | null | undefined;
  acts: LineActs;
}) {
  const field = useRef<HTMLTextAreaElement>(null);
  useEffect(() => {
    if (wanted) field.current?.focus();
  }, [wanted]);
  const look = kindLooks[line.kind];
  const Icon = look.icon;
  const onKeyDown = (event: React.KeyboardEvent<HTMLTextAreaElement>) => {
    const { key, shiftKey, altKey, currentTarget: at } = event;
    const act =
      key === "Tab" && !altKey
        ? () => acts.onKind(shiftKey ? -1 : 1)
        : key === "Enter" && !shiftKey
          ? acts.onAdd
          : key === "Backspace" && line.text === ""
            ? acts.onRemove
            : altKey && key === "ArrowUp"
              ? () => acts.onMove(-1)
              : altKey && key === "ArrowDown"
                ? () => acts.onMove(1)
                : key === "ArrowUp" && at.selectionStart === 0
                  ? () => acts.onGo(-1)
                  : key === "ArrowDown" && at.selectionEnd === at.value.length
                    ? () => acts.onGo(1)
                    : key === "Escape"
                      ? () => at.blur()
                      : null;
    if (!act) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  };
  return (
    <li className={clsx("group px-4 py-1", here && "bg-green-wash shadow-[inset_3px_0_0_var(--ink)]")}>
      <div className={clsx("flex items-start gap-2", look.indent)}>
        <button
          type="button"
          aria-label={`Kind: ${look.text}. Press for the next kind`}
          onClick={() => acts.onKind(1)}
          className={clsx(
            "flex w-26 shrink-0 items-center gap-1.5 pt-0.5 text-left text-[13px] font-semibold whitespace-nowrap",
            look.colour,
          )}
        >
          <span
            className={clsx(
              "grid h-5 w-5 shrink-0 place-items-center rounded-[4px] border border-current",
              look.filled && "bg-current",
            )}
          >
            <Icon size={13} aria-hidden className={look.filled ? "text-card" : ""} />
          </span>
          {look.text}
        </button>
        <div className="min-w-0 flex-1">
          <div className="flex items-start gap-1">
            {line.ifNobody && <span className="shrink-0 text-[14px] text-ink-soft">If nobody answers:</span>}
            <textarea
              ref={field}
              rows={1}
              maxLength={2000}
              aria-label={`${look.text}. Tab changes the kind, Enter begins a new line, Escape leaves the line`}
              value={line.text}
              onFocus={acts.onFocus}
              onChange={(event) => acts.onText(event.target.value.replaceAll("\n", " "))}
              onKeyDown={onKeyDown}
              className="min-h-6 w-full resize-none bg-transparent text-[14px] leading-6 [field-sizing:content]"
            />
          </div>
          {changed !== undefined && (
            <p className="not-printed flex flex-wrap items-center gap-2 rounded-[4px] border border-slate bg-slate-wash px-2 py-1 text-[12px]">
              <RefreshCw size={12} aria-hidden />
              {changed === null ? "What this was taken from is gone." : `The resource says now: “${changed}”`}
              {changed !== null && (
                <Button size="small" onClick={acts.onFollow}>
                  Use that
                </Button>
              )}
              <Button size="small" onClick={acts.onKeep}>
                Keep mine
              </Button>
            </p>
          )}
          {line.kind === "they show" && (
            <label
              className={clsx(!line.who && "not-printed", "inline-flex items-center gap-1 text-[12px] text-ink-soft")}
            >
              <Dices size={12} aria-hidden /> <span className="heard">Who comes to the board</span>
              <select
                value={line.who ?? ""}
                onChange={(event) => acts.onWho((event.target.value || undefined) as ChosenHow | undefined)}
                className="rounded-[4px] bg-transparent print:appearance-none"
              >
                <option value="">everyone</option>
                {chosenHow.map((how) => (
                  <option key={how} value={how}>
                    {whoNames[how]}
                  </option>
                ))}
              </select>
            </label>
          )}
        </div>
        {line.from && changed === undefined && (
          <Link2 size={13} aria-label="linked to the resource" className="not-printed mt-1.5 shrink-0 text-ink-soft" />
        )}
        <span className="not-printed opacity-0 group-focus-within:opacity-100 group-hover:opacity-100">
          <IconButton name="Remove the line" small onClick={acts.onRemove}>
            <X size={13} aria-hidden />
          </IconButton>
        </span>
      </div>
    </li>
  );
}
