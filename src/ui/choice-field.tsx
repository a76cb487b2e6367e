import { Field, inputClasses } from "./field";

/** One of a few, with its label: `options` are values and what each is called. */
export function ChoiceField<Value extends string>({
  label,
  value,
  options,
  disabled,
  className,
  onChoose,
}: {
  label: string;
  value: Value;
  options: readonly (readonly [value: Value, text: string])[];
  disabled?: boolean;
  className?: string;
  onChoose: (value: Value) => void;
}) {
  return (
    <Field label={label} {...(className && { className })}>
      {(control) => (
        <select
          {...control}
          disabled={disabled}
          className={inputClasses}
          value={value}
          onChange={(event) => onChoose(event.target.value as Value)}
        >
          {options.map(([one, text]) => (
            <option key={one} value={one}>
              {text}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}
