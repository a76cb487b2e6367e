"use client";
import { Controller } from "react-hook-form";
import { quickKinds, TypedQuestion, type LessonCommand } from "@/core/live/lesson";
import { Button } from "@/ui/button";
import { FormText, useCheckedForm } from "@/ui/checked-form";
import { Dialog } from "@/ui/dialog";
import { Field, inputClasses } from "@/ui/field";
import { Segmented } from "@/ui/segmented";

const names = { choose: "choosing", number: "a number", words: "words", draw: "drawing" } as const;
const yesOrNo = "yes\nno";

/** A question on the spot: asked on every screen at once, answered in seconds, nothing of it is marked. */
export function QuickDialog({
  open,
  onOpenChange,
  lead,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  lead: (asked: LessonCommand) => Promise<boolean>;
}) {
  const form = useCheckedForm(TypedQuestion, { ask: "", kind: "choose", options: yesOrNo }, async (typed, reset) => {
    if (!(await lead({ do: "ask", question: { id: crypto.randomUUID().slice(0, 20), ...typed } }))) return;
    // The next one is often of the same kind.
    const options = typed.kind === "choose" ? typed.options.join("\n") : yesOrNo;
    reset({ ask: "", kind: typed.kind, options });
    onOpenChange(false);
  });
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Ask everybody now">
      <form className="grid gap-4" noValidate onSubmit={form.submit}>
        <FormText form={form} name="ask" label="Your question" autoFocus maxLength={300} />
        <Controller
          control={form.control}
          name="kind"
          render={({ field: kind }) => (
            <>
              <div className="grid gap-1">
                <span className="text-[13px] text-ink-soft">They answer by</span>
                <Segmented
                  label="They answer by"
                  value={kind.value}
                  options={quickKinds.map((value) => ({ value, text: names[value] }))}
                  onChange={kind.onChange}
                />
              </div>
              {kind.value === "choose" && (
                <Field label="What they can choose" problem={form.problemAt("options")}>
                  {(control) => (
                    <textarea {...control} rows={4} className={inputClasses} {...form.register("options")} />
                  )}
                </Field>
              )}
            </>
          )}
        />
        <div className="flex justify-end">
          <Button look="main" type="submit" disabled={form.busy}>
            Ask
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
