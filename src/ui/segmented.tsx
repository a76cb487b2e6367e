"use client";
import { clsx } from "clsx";
import { RadioGroup } from "radix-ui";

/** One of a few, all in sight. Arrow keys move. */
export function Segmented<Value extends string>({
  label,
  value,
  options,
  onChange,
  className,
  disabled = false,
}: {
  label: string;
  value: Value;
  options: readonly { value: Value; text: string }[];
  onChange: (value: Value) => void;
  className?: string;
  /** It does not answer yet: what is pressed before the page does would be lost. */
  disabled?: boolean;
}) {
  return (
    <RadioGroup.Root
      aria-label={label}
      value={value}
      disabled={disabled}
      onValueChange={(next) => onChange(next as Value)}
      className={clsx("inline-flex max-w-full overflow-x-auto rounded-card border border-line bg-card", className)}
    >
      {options.map((option) => (
        <RadioGroup.Item
          key={option.value}
          value={option.value}
          className={clsx(
            "h-8 flex-1 px-3 whitespace-nowrap first:rounded-l-[5px] last:rounded-r-[5px]",
            option.value === value ? "bg-ink font-semibold text-paper" : "text-ink hover:bg-shade",
          )}
        >
          {option.text}
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  );
}
