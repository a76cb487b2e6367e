"use client";
import { useState, type ComponentProps } from "react";
import { parseNumber } from "@/core/scoring/number";
import { TextInput } from "@/ui/field";

/** A number being typed: what is not one yet is shown as wrong and not taken over. */
export function NumberBox({
  value,
  onNumber,
  least = -Infinity,
  most = Infinity,
  whole = false,
  ...rest
}: Omit<ComponentProps<"input">, "value" | "onChange"> & {
  value: number;
  onNumber: (value: number) => void;
  least?: number;
  most?: number;
  whole?: boolean;
}) {
  const [typed, setTyped] = useState(String(value));
  const [known, setKnown] = useState(value);
  // Changed from outside (undo): follow it, unless what stands there already means the same.
  if (value !== known) {
    setKnown(value);
    if (parseNumber(typed) !== value) setTyped(String(value));
  }
  const read = parseNumber(typed);
  const good = read !== null && read >= least && read <= most && (!whole || Number.isInteger(read));
  return (
    <TextInput
      {...rest}
      inputMode="decimal"
      value={typed}
      aria-invalid={!good}
      onChange={(event) => {
        setTyped(event.target.value);
        const next = parseNumber(event.target.value);
        if (next === null || next < least || next > most || (whole && !Number.isInteger(next))) return;
        setKnown(next);
        onNumber(next);
      }}
    />
  );
}
