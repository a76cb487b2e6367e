import { inputClasses } from "@/ui/field";

/** One of the school's people. */
export function PersonSelect({
  people,
  value,
  onPerson,
  ...control
}: {
  id?: string;
  "aria-describedby"?: string;
  "aria-invalid"?: boolean;
  people: readonly { id: number; name: string }[];
  value: number;
  onPerson: (id: number) => void;
}) {
  return (
    <select
      {...control}
      className={inputClasses}
      value={value}
      onChange={(event) => onPerson(Number(event.target.value))}
    >
      {people.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </select>
  );
}
