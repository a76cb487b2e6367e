"use client";
import { clsx } from "clsx";
import { Popover } from "radix-ui";
import { useId } from "react";

interface WordProps {
  /** What it is a choice of: "Grades". */
  name: string;
  text: string;
  options: readonly { value: string; text: string; closed?: boolean }[];
  chosen: readonly string[];
  several: boolean;
  onChoose: (values: string[]) => void;
}

/** A word of a sentence that opens the choices it was made from: one of them, or several. */
export function Word({ name, text, options, chosen, several, onChoose }: WordProps) {
  const group = useId();
  const choose = (value: string) => {
    if (!several) return onChoose([value]);
    onChoose(chosen.includes(value) ? chosen.filter((one) => one !== value) : [...chosen, value]);
  };
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`${name}: ${text}`}
        className="rounded-none border-b-2 border-green px-0.5 text-left leading-tight text-green hover:bg-green-wash data-[state=open]:bg-green-wash"
      >
        {text}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={8}
          aria-label={name}
          className="z-50 max-h-[min(60vh,var(--radix-popover-content-available-height))] min-w-48 overflow-auto rounded-card border border-line bg-card p-2 font-sans text-sm shadow-soft"
        >
          <fieldset>
            <legend className="px-2 pb-1 text-[13px] text-ink-soft">{name}</legend>
            {options.map((option) => (
              <label
                key={option.value}
                className={clsx(
                  "flex min-h-8 items-center gap-2 rounded-card px-2 hover:bg-shade",
                  option.closed && "text-ink-soft",
                )}
              >
                <input
                  type={several ? "checkbox" : "radio"}
                  name={group}
                  checked={chosen.includes(option.value)}
                  onChange={() => choose(option.value)}
                />
                {option.text}
              </label>
            ))}
          </fieldset>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
