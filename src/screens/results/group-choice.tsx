"use client";
import type { StudentGroup } from "@/data/plan/plan";
import { Segmented } from "@/ui/segmented";

/** Whose rows are shown: the whole class, or one of its groups. */
export function GroupChoice({
  groups,
  chosen,
  onChoose,
}: {
  groups: readonly StudentGroup[];
  chosen: number | null;
  onChoose: (group: number | null) => void;
}) {
  if (groups.length === 0) return null;
  return (
    <div className="not-printed">
      <Segmented
        label="Group"
        value={String(chosen ?? "")}
        onChange={(value) => onChoose(Number(value) || null)}
        options={[
          { value: "", text: "Everyone" },
          ...groups.map(({ id, name }) => ({ value: String(id), text: name })),
        ]}
      />
    </div>
  );
}
