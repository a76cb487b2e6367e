"use client";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import type { ClassSaid } from "@/core/roster/class-said";
import type { Outcome } from "@/server/web/act";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { tell, tellProblem } from "@/ui/toast";
import { ClassFields, newClassSaid } from "./class-fields";

/** What is said of a class, to be made or changed. */
export function ClassDialog({
  title,
  said: given = newClassSaid,
  measured,
  onKeep,
  onKept,
  onClose,
  children,
}: {
  title: string;
  said?: ClassSaid;
  measured?: { from: number; to: number } | null;
  onKeep: (said: ClassSaid) => Promise<Outcome<{ before?: ClassSaid; class?: number }>>;
  /** A class that was made, by its id. */
  onKept?: (made: number) => void;
  onClose: () => void;
  children?: React.ReactNode;
}) {
  const [said, setSaid] = useState(given);
  const [problem, setProblem] = useState<{ field?: string | undefined; text: string } | null>(null);
  const [busy, start] = useTransition();
  const router = useRouter();
  const keep = () =>
    start(async () => {
      const outcome = await onKeep(said);
      if (!outcome.ok) return setProblem({ field: outcome.field, text: outcome.problem });
      onClose();
      router.refresh();
      const { before, class: made } = outcome.value;
      if (made !== undefined) {
        tell(`${said.name} is made. Add its students.`);
        return onKept?.(made);
      }
      tell(`Saved for ${said.name}.`, async () => {
        const back = before && (await onKeep(before));
        if (back && !back.ok) tellProblem(back.problem);
        router.refresh();
      });
    });
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={title}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        {children}
        <ClassFields said={said} measured={measured} problem={problem} onChange={setSaid} />
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" look="main" disabled={busy}>
            {busy ? "One moment …" : "Save"}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
