"use client";
import { clsx } from "clsx";
import { Check, Search } from "lucide-react";
import { Popover } from "radix-ui";
import { useId, useRef, useState, type KeyboardEvent } from "react";
import { Key } from "./key";

export interface BlankOption {
  value: string;
  text: string;
  /** How many results this choice would leave. */
  leaves: number;
}

const wordClasses = (filled: boolean) =>
  clsx(
    "rounded-none border-b-2 px-0.5 leading-tight hover:bg-green-wash data-[state=open]:bg-green-wash",
    filled ? "border-green text-green" : "border-dotted border-line-strong text-ink-soft",
  );

interface BlankProps {
  name: string;
  text: string;
  filled: boolean;
  /** Asked for while it is open. Null: still being counted. */
  options: () => readonly BlankOption[] | null;
  chosen: readonly string[];
  several: boolean;
  total: number;
  onChoose: (value: string) => void;
  onClear: () => void;
  /** A count as the reader's locale writes it. */
  say: (count: number) => string;
  onOpen?: () => void;
  startOpen?: boolean;
  onClosed?: () => void;
}

/**
 * A blank of a sentence: a word that opens a list of choices with the number each would leave. Typing filters, arrows
 * move, Space or Enter chooses, Escape is done. Until it is first opened it is a word and no more: a sentence has many,
 * and is said anew with every key.
 */
export function Blank(props: BlankProps) {
  const { name, text, filled, startOpen, onOpen } = props;
  const [opened, setOpened] = useState(startOpen ?? false);
  if (opened) return <OpenedBlank {...props} />;
  return (
    <button
      type="button"
      aria-haspopup="dialog"
      aria-expanded={false}
      aria-label={`${name}: ${text}`}
      onClick={() => {
        setOpened(true);
        onOpen?.();
      }}
      className={wordClasses(filled)}
    >
      {text}
    </button>
  );
}

function OpenedBlank({
  name,
  text,
  filled,
  options,
  chosen,
  several,
  total,
  onChoose,
  onClear,
  say,
  onOpen,
  onClosed,
}: BlankProps) {
  const [open, setOpenState] = useState(true);
  const setOpen = (next: boolean) => {
    setOpenState(next);
    if (next) onOpen?.();
    else onClosed?.();
  };
  const counted = open ? options() : null;
  const choices = counted ?? [];
  const [typed, setTyped] = useState("");
  // Opened, it stands at what is chosen.
  const firstChosen = () =>
    Math.max(
      0,
      (options() ?? []).findIndex((option) => chosen.includes(option.value)),
    );
  const [at, setAt] = useState(firstChosen);
  const listId = useId();
  const list = useRef<HTMLUListElement>(null);
  const shown = choices.filter((option) => option.text.toLowerCase().includes(typed.trim().toLowerCase()));
  // A statement of a standard says what it is about only when most of it is read.
  const wordy = choices.some((option) => option.text.length > 32);
  const most = Math.max(1, ...choices.map((option) => option.leaves));
  const current = Math.min(at, shown.length - 1);

  const choose = (option: BlankOption | undefined) => {
    if (!option) return;
    onChoose(option.value);
    if (!several) setOpen(false);
  };
  const move = (to: number) => {
    setAt(to);
    list.current?.children[to]?.scrollIntoView({ block: "nearest" });
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.key === "ArrowDown") move(Math.min(current + 1, shown.length - 1));
    else if (event.key === "ArrowUp") move(Math.max(current - 1, 0));
    else if (event.key === "Home") move(0);
    else if (event.key === "End") move(shown.length - 1);
    else if (event.key === "Enter" || (event.key === " " && typed === "")) choose(shown[current]);
    else return;
    event.preventDefault();
  };

  return (
    <Popover.Root
      open={open}
      onOpenChange={(next) => {
        setOpen(next);
        setTyped("");
        setAt(firstChosen());
      }}
    >
      <Popover.Trigger aria-label={`${name}: ${text}`} className={wordClasses(filled)}>
        {text}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={8}
          aria-label={name}
          className={clsx(
            "z-50 max-w-[calc(100vw-2rem)] rounded-card border border-line bg-card font-sans text-sm shadow-soft",
            wordy ? "w-[46rem]" : "w-[27rem]",
          )}
          onKeyDown={onKey}
        >
          <div className="flex h-10 items-center gap-2 border-b border-line px-3">
            <Search size={14} aria-hidden className="text-ink-soft" />
            <input
              autoFocus
              role="combobox"
              aria-expanded
              aria-controls={listId}
              aria-activedescendant={shown[current] ? `${listId}-${current}` : undefined}
              aria-label={`Find in ${name}`}
              value={typed}
              placeholder={`${name.toLowerCase()} …`}
              onChange={(event) => {
                setTyped(event.target.value);
                setAt(0);
              }}
              className="h-full min-w-0 flex-1 bg-transparent outline-none"
            />
            <span className="text-[13px] text-ink-soft">leaves</span>
          </div>
          <ul
            ref={list}
            id={listId}
            role="listbox"
            aria-label={name}
            aria-multiselectable={several}
            className="max-h-80 overflow-auto py-1"
          >
            {shown.map((option, nth) => {
              const isChosen = chosen.includes(option.value);
              return (
                <li
                  key={option.value}
                  id={`${listId}-${nth}`}
                  role="option"
                  aria-selected={isChosen}
                  onClick={() => choose(option)}
                  onMouseMove={() => setAt(nth)}
                  className={clsx(
                    "grid h-[30px] cursor-pointer grid-cols-[16px_1fr_80px_4.5rem] items-center gap-3 px-3",
                    isChosen && "bg-green-wash",
                    nth === current && "outline-2 -outline-offset-2 outline-green",
                    option.leaves === 0 && !isChosen && "text-ink-soft",
                  )}
                >
                  <span
                    className={clsx(
                      "grid h-4 w-4 place-items-center border border-line-strong",
                      several ? "rounded-[3px]" : "rounded-full",
                    )}
                  >
                    {isChosen && <Check size={12} aria-hidden />}
                  </span>
                  <span className="truncate" title={option.text}>
                    {option.text}
                  </span>
                  <span className="h-1.5 overflow-hidden rounded-full bg-shade" aria-hidden>
                    <span className="block h-full bg-green" style={{ width: `${(100 * option.leaves) / most}%` }} />
                  </span>
                  <span className="numbers text-right">{say(option.leaves)}</span>
                </li>
              );
            })}
            {shown.length === 0 && (
              <li className="px-3 py-2 text-ink-soft">
                {counted === null
                  ? "Counting …"
                  : choices.length === 0
                    ? "There is nothing to choose."
                    : "Nothing is called that."}
              </li>
            )}
          </ul>
          <div className="flex h-10 items-center gap-4 border-t border-line px-3 text-[13px] text-ink-soft">
            <span className="flex items-center gap-1">
              <Key>↑↓</Key> move
            </span>
            <span className="flex items-center gap-1">
              <Key>enter</Key> choose
            </span>
            {filled && (
              <button type="button" className="underline" onClick={onClear}>
                leave open
              </button>
            )}
            <span className="numbers ml-auto font-semibold text-green">{say(total)} left</span>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
