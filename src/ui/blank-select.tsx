"use client";

/** A blank of a sentence with a few choices: a word that opens the browser's own list. */
export function BlankSelect<Value extends string>({
  name,
  value,
  options,
  onChange,
}: {
  name: string;
  value: Value;
  options: readonly { value: Value; text: string }[];
  onChange: (value: Value) => void;
}) {
  return (
    <select
      aria-label={name}
      value={value}
      onChange={(event) => onChange(event.target.value as Value)}
      className="max-w-full cursor-pointer appearance-none border-b-2 border-green bg-transparent px-0.5 leading-tight text-green [field-sizing:content] hover:bg-green-wash"
    >
      {options.map((option) => (
        <option key={option.value} value={option.value} className="bg-card font-sans text-[14px] text-ink">
          {option.text}
        </option>
      ))}
    </select>
  );
}
