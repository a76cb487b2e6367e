import type { SchoolCalendar } from "@/core/calendar/school-calendar";
import { DateInput } from "@/screens/when/typed-input";
import { TextInput } from "@/ui/field";

type Term = SchoolCalendar["terms"][number];

/** The name of a term, its first and its last day: three fields, laid out by what is around them. */
export function TermFields({
  term,
  nth,
  nameClassName,
  onChange,
}: {
  term: Term;
  /** From 1, for a term without a name. */
  nth: number;
  nameClassName?: string;
  onChange: (more: Partial<Term>) => void;
}) {
  const called = term.name || `Term ${nth}`;
  return (
    <>
      <TextInput
        aria-label={`Name of term ${nth}`}
        className={nameClassName}
        maxLength={60}
        value={term.name}
        onChange={(event) => onChange({ name: event.target.value })}
      />
      <DateInput aria-label={`${called} begins`} value={term.from} onChange={(from) => onChange({ from })} />
      <DateInput aria-label={`${called} ends`} value={term.to} onChange={(to) => onChange({ to })} />
    </>
  );
}
