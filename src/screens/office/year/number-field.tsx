import { Field, TextInput } from "@/ui/field";

/** A small whole number. What is outside is put at the nearest end when she leaves it. */
export function NumberField({
  label,
  value,
  from,
  to,
  onChange,
}: {
  label: string;
  value: number;
  from: number;
  to: number;
  onChange: (value: number) => void;
}) {
  return (
    <Field label={label}>
      {(control) => (
        <TextInput
          {...control}
          type="number"
          inputMode="numeric"
          min={from}
          max={to}
          defaultValue={value}
          onChange={(event) => {
            const typed = Number(event.target.value);
            if (event.target.value !== "" && Number.isInteger(typed) && typed >= from && typed <= to) onChange(typed);
          }}
          onBlur={(event) => {
            const typed = Math.round(Number(event.target.value));
            const kept = event.target.value === "" ? value : Math.min(to, Math.max(from, typed));
            event.target.value = String(kept);
            if (kept !== value) onChange(kept);
          }}
        />
      )}
    </Field>
  );
}
