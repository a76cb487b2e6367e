"use client";
import { clsx } from "clsx";
import { CalendarDays } from "lucide-react";
import { Popover } from "radix-ui";
import { useState, type ComponentProps, type ReactNode } from "react";
import { formatTypedDate, formatTypedMoment, readDate, readMoment, readTime } from "@/core/calendar/typed-date";
import { inputClasses } from "@/ui/field";
import { later } from "@/ui/later";

const DayCalendar = later(() => import("./day-calendar").then((part) => part.DayCalendar));

type Rest = Omit<ComponentProps<"input">, "value" | "onChange" | "type">;

const today = () => {
  const now = new Date();
  return [now.getFullYear(), now.getMonth() + 1, now.getDate()].map((part) => String(part).padStart(2, "0")).join("-");
};

/**
 * A text that means a value. While it is typed it stays as it is; when she leaves it, it is put as the value is always shown. What
 * cannot be read is never taken for what stood there before: it is no value where one is needed, and elsewhere it goes on as it was
 * typed, for the server to refuse.
 */
function TypedInput({
  value,
  read,
  show,
  onChange,
  needed = false,
  beside,
  className,
  ...rest
}: Rest & {
  value: string;
  read: (typed: string) => string | null;
  show: (value: string) => string;
  onChange: (value: string) => void;
  needed?: boolean;
  beside?: ReactNode;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [known, setKnown] = useState({ value, sent: value });
  if (value !== known.value) {
    setKnown({ ...known, value });
    // Changed from outside (undo, a remedy, the calendar): what was typed makes way.
    if (value !== known.sent) setTyped(null);
  }
  const text = typed ?? (show(value) || value);
  const good = text.trim() === "" || read(text) !== null;
  return (
    <span className={clsx("relative block", className)}>
      <input
        {...rest}
        type="text"
        autoComplete="off"
        value={text}
        aria-invalid={!good || rest["aria-invalid"] || undefined}
        onChange={(event) => {
          const next = event.target.value;
          const means = next.trim() === "" ? "" : (read(next) ?? (needed ? "" : next));
          setTyped(next);
          setKnown({ ...known, sent: means });
          onChange(means);
        }}
        onBlur={(event) => {
          if (good) setTyped(null);
          rest.onBlur?.(event);
        }}
        className={clsx(inputClasses, "numbers", beside && "pr-10")}
      />
      {beside}
    </span>
  );
}

function CalendarButton({
  name,
  value,
  disabled,
  onDay,
}: {
  name: string;
  value: string | null;
  disabled: boolean | undefined;
  onDay: (day: string) => void;
}) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        disabled={disabled}
        aria-label={name}
        className="absolute top-0 right-0 grid h-9 w-9 place-items-center text-ink-soft hover:text-ink disabled:opacity-40"
      >
        <CalendarDays size={17} aria-hidden />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          aria-label={name}
          className="z-50 rounded-card border border-line bg-card shadow-lg"
        >
          <DayCalendar
            value={value}
            onChange={(day) => {
              onDay(day);
              setOpen(false);
            }}
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

interface Typed {
  /** "" for none. */
  value: string;
  onChange: (value: string) => void;
}

/** A date, "2026-11-30": typed ("30 Nov", "friday") or chosen from a month. */
export function DateInput({ value, onChange, ...rest }: Rest & Typed) {
  return (
    <TypedInput
      {...rest}
      value={value}
      read={(typed) => readDate(typed, today())}
      show={formatTypedDate}
      onChange={onChange}
      placeholder={rest.placeholder ?? "30 Nov"}
      beside={
        <CalendarButton
          name="Choose a day"
          value={readDate(value, today())}
          disabled={rest.disabled}
          onDay={onChange}
        />
      }
    />
  );
}

/** A time, "15:00": typed, "3 pm" as well. */
export function TimeInput({ value, onChange, ...rest }: Rest & Typed) {
  return (
    <TypedInput {...rest} value={value} read={readTime} show={(time) => time} onChange={onChange} placeholder="15:00" />
  );
}

/** A day and a time, "2026-11-30T15:00": typed ("30 Nov, 3 pm"), the day chosen from a month if she likes. */
export function MomentInput({ value, onChange, optional = false, ...rest }: Rest & Typed & { optional?: boolean }) {
  const [date = "", time = ""] = value.split("T");
  const hour = readTime(time.slice(0, 5)) ?? "15:00";
  return (
    <TypedInput
      {...rest}
      value={value}
      read={(typed) => readMoment(typed, today(), hour)}
      show={formatTypedMoment}
      onChange={onChange}
      needed={!optional}
      placeholder={rest.placeholder ?? "30 Nov, 15:00"}
      beside={
        <CalendarButton
          name="Choose a day"
          value={readDate(date, today())}
          disabled={rest.disabled}
          onDay={(day) => onChange(`${day}T${hour}`)}
        />
      }
    />
  );
}
