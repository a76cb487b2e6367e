"use client";
import { Check, Minus } from "lucide-react";
import { Checkbox as Radix } from "radix-ui";

export function Checkbox({
  label,
  checked,
  onChange,
  id,
}: {
  label: string;
  checked: boolean | "indeterminate";
  onChange: (checked: boolean) => void;
  id?: string;
}) {
  return (
    <Radix.Root
      id={id}
      aria-label={label}
      checked={checked}
      onCheckedChange={(next) => onChange(next === true)}
      className="grid h-[18px] w-[18px] shrink-0 place-items-center rounded-[3px] border border-line-strong bg-card data-[state=checked]:border-green data-[state=checked]:bg-green data-[state=checked]:text-on-green"
    >
      <Radix.Indicator>
        {checked === "indeterminate" ? (
          <Minus size={13} aria-hidden />
        ) : (
          <Check size={13} strokeWidth={3} aria-hidden />
        )}
      </Radix.Indicator>
    </Radix.Root>
  );
}
