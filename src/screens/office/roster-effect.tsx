import type { RosterEffect } from "@/server/office/school-roster";
import { Button } from "@/ui/button";
import { inputClasses } from "@/ui/field";

/** Which of several schools a roster is read for. */
export function ChooseSchool({
  schools,
  value,
  onChoose,
  label,
}: {
  schools: RosterEffect["schools"];
  value: string | null;
  onChoose: (school: string) => void;
  label: string;
}) {
  return (
    <label className="mt-3 block">
      <span className="mb-1 block text-[13px] text-ink-soft">{label}</span>
      <select className={inputClasses} value={value ?? ""} onChange={(event) => onChoose(event.target.value)}>
        <option value="" disabled>
          Choose …
        </option>
        {schools.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** What bringing a roster in would change, before anything does. */
export function RosterEffectBox({
  name,
  seen,
  busy,
  onImport,
  onCancel,
}: {
  name: string;
  seen: RosterEffect;
  busy: boolean;
  onImport: () => void;
  onCancel: () => void;
}) {
  return (
    <div className="mt-3 rounded-card border border-line p-3" aria-live="polite">
      <p>
        <strong>{name}</strong>: {seen.kind}, {seen.students} students.
      </p>
      <p>
        New students: {seen.added} · changed: {seen.changed} · new classes: {seen.classes} · places in classes:{" "}
        {seen.enrolled} · leaving a class: {seen.left}
      </p>
      {seen.joined > 0 && (
        <p>
          {seen.joined === 1
            ? "One class here has the name of a class in the roster. From now on the roster keeps it up to date, with its teachers."
            : `${seen.joined} classes here have the names of classes in the roster. From now on the roster keeps them up to date, with their teachers.`}
        </p>
      )}
      {seen.problems.length > 0 && (
        <>
          <p className="mt-2 font-semibold text-clay">{seen.problems.length} skipped, or to do by hand:</p>
          <ul className="max-h-40 overflow-auto text-[13px]">
            {seen.problems.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </>
      )}
      <div className="mt-3 flex gap-2">
        <Button look="main" disabled={busy || seen.nothing} onClick={onImport}>
          {seen.nothing ? "Nothing to change" : seen.problems.length > 0 ? "Import the rest" : "Import it"}
        </Button>
        <Button onClick={onCancel}>Cancel</Button>
      </div>
    </div>
  );
}

/** What came of it, in a line. */
export const rosterSaid = ({ added, enrolled, left }: RosterEffect): string =>
  `The roster is in. New students: ${added} · places in classes: ${enrolled} · left: ${left}`;
