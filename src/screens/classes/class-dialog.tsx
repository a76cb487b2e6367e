"use client";
import { useRouter } from "next/navigation";
import { ClassSaid } from "@/core/roster/class-said";
import type { Outcome } from "@/server/web/act";
import { Button } from "@/ui/button";
import { useCheckedForm } from "@/ui/checked-form";
import { Dialog } from "@/ui/dialog";
import { tell, tellProblem } from "@/ui/toast";
import { ClassFields, newClassSaid } from "./class-fields";

/** What is said of a class, to be made or changed. */
export function ClassDialog({
  title,
  said = newClassSaid,
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
  const router = useRouter();
  const form = useCheckedForm(ClassSaid, said, async (typed) => {
    const outcome = await onKeep(typed);
    if (!outcome.ok) {
      const field = outcome.field?.replace(/^said\./, "");
      return { ok: false, problem: outcome.problem, ...(field && { field }) };
    }
    onClose();
    router.refresh();
    const { before, class: made } = outcome.value;
    if (made !== undefined) {
      tell(`${typed.name} is made. Add its students.`);
      onKept?.(made);
      return;
    }
    tell(`Saved for ${typed.name}.`, async () => {
      const back = before && (await onKeep(before));
      if (back && !back.ok) tellProblem(back.problem);
      router.refresh();
    });
  });
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={title}>
      <form className="grid gap-4" noValidate onSubmit={form.submit}>
        {children}
        <ClassFields form={form} measured={measured} />
        {form.notice}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" look="main" disabled={form.busy}>
            {form.busy ? "One moment …" : "Save"}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
