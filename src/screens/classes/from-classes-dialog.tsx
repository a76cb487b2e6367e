"use client";
import { useRouter } from "next/navigation";
import { useEffect, useState, useTransition } from "react";
import { gradeName } from "@/core/content/grade";
import type { Class } from "@/data/classes/classes";
import { studentsToTake, takeIntoClass } from "@/screens/acts/class-said";
import { leaveClass } from "@/screens/acts/roster";
import { orTell } from "@/screens/acts/tried";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Dialog } from "@/ui/dialog";
import { Notice } from "@/ui/notice";
import { tell } from "@/ui/toast";

type Free = Extract<Awaited<ReturnType<typeof studentsToTake>>, { ok: true }>["value"];

/** Students of her other classes, to be in this one too: how a group of several grades comes together. */
export function FromClassesDialog({ group, onClose }: { group: Class; onClose: () => void }) {
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const router = useRouter();
  const [free, setFree] = useState<Free | null>(null);
  useEffect(() => {
    let wanted = true;
    void studentsToTake({ class: group.id }).then((outcome) => {
      if (!wanted) return;
      if (outcome.ok) setFree(outcome.value);
      else setProblem(outcome.problem);
    });
    return () => {
      wanted = false;
    };
  }, [group.id]);
  const put = (ids: readonly number[], on: boolean) =>
    setChosen((old) => new Set(on ? [...old, ...ids] : [...old].filter((id) => !ids.includes(id))));
  const take = () =>
    start(async () => {
      const to = (free ?? [])
        .map(({ id, students }) => ({
          class: id,
          students: students.map((student) => student.id).filter((student) => chosen.has(student)),
        }))
        .filter(({ students }) => students.length > 0);
      const outcome = await takeIntoClass({ class: group.id, to });
      if (!outcome.ok) return setProblem(outcome.problem);
      onClose();
      router.refresh();
      const { students } = outcome.value;
      tell(`Added ${students.length} to ${group.name}. They stay in their other classes too.`, async () => {
        await orTell(leaveClass({ class: group.id, students }));
        router.refresh();
      });
    });
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={`From my classes into ${group.name}`}>
      <div className="grid gap-4">
        {!free && !problem && <p className="text-ink-soft">One moment …</p>}
        {free?.length === 0 && <p className="text-ink-soft">Everyone in your other classes is already in it.</p>}
        {free?.map((one) => {
          const ids = one.students.map(({ id }) => id);
          const many = ids.filter((id) => chosen.has(id)).length;
          return (
            <fieldset key={one.id}>
              <legend className="mb-1 flex items-center gap-2 font-semibold">
                <Checkbox
                  label={`All of ${one.name}`}
                  checked={many === 0 ? false : many === ids.length ? true : "indeterminate"}
                  onChange={(on) => put(ids, on)}
                />
                {one.name}
              </legend>
              <div className="grid grid-cols-2 gap-x-4 gap-y-1">
                {one.students.map(({ id, name, grade }) => (
                  <label key={id} className="flex items-center gap-2">
                    <Checkbox label={name} checked={chosen.has(id)} onChange={(on) => put([id], on)} />
                    <span className="min-w-0 flex-1 truncate">{name}</span>
                    {grade !== null && <span className="numbers text-[13px] text-ink-soft">{gradeName(grade)}</span>}
                  </label>
                ))}
              </div>
            </fieldset>
          );
        })}
        {problem && <Notice tone="warning">{problem}</Notice>}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" disabled={busy || chosen.size === 0} onClick={take}>
            {chosen.size > 0 ? `Add ${chosen.size}` : "Add"}
          </Button>
        </div>
      </div>
    </Dialog>
  );
}
