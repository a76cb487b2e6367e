import { gradeName } from "@/core/content/grade";
import { inputClasses } from "@/ui/field";

/** A school grade to choose, kindergarten to 12; with `open`, none may be chosen too. */
export function GradeSelect<Value extends number | null>({
  value,
  open,
  onGrade,
  ...control
}: {
  id?: string;
  "aria-describedby"?: string;
  "aria-invalid"?: boolean;
  value: Value;
  /** What choosing none is called. */
  open?: string;
  onGrade: (grade: Value) => void;
}) {
  return (
    <select
      {...control}
      className={inputClasses}
      value={value ?? ""}
      onChange={({ target }) => onGrade((target.value === "" ? null : Number(target.value)) as Value)}
    >
      {open !== undefined && <option value="">{open}</option>}
      {Array.from({ length: 13 }, (_, grade) => (
        <option key={grade} value={grade}>
          {gradeName(grade)}
        </option>
      ))}
    </select>
  );
}
