"use client";
import type { Class } from "@/data/classes/classes";
import { inputClasses } from "@/ui/field";

/** The head of a card about one class of the school: what it is about, and which class. */
export function ClassHead({
  id,
  title,
  label,
  classes,
  chosen,
  onChoose,
}: {
  id: string;
  title: string;
  label: string;
  classes: readonly Class[];
  chosen: number;
  onChoose: (id: number) => void;
}) {
  return (
    <div className="mb-3 flex items-center gap-3">
      <h2 id={id} className="flex-1 font-semibold">
        {title}
      </h2>
      <select
        aria-label={label}
        className={`${inputClasses} !w-48`}
        value={chosen}
        onChange={(event) => onChoose(Number(event.target.value))}
      >
        {classes.map((group) => (
          <option key={group.id} value={group.id}>
            {group.name}
          </option>
        ))}
      </select>
    </div>
  );
}
