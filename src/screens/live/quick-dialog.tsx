"use client";
import { useState, type FormEvent } from "react";
import { quickKinds, type LessonCommand } from "@/core/live/lesson";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Field, inputClasses } from "@/ui/field";
import { Segmented } from "@/ui/segmented";

const names = { choose: "choosing", number: "a number", words: "words", draw: "drawing" } as const;

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
  const [kind, setKind] = useState<(typeof quickKinds)[number]>("choose");
  const [ask, setAsk] = useState("");
  const [options, setOptions] = useState("yes\nno");
  const list = options
    .split("\n")
    .map((one) => one.trim())
    .filter(Boolean);
  const problem =
    kind === "choose" && (list.length < 2 || list.length > 6 || new Set(list).size < list.length)
      ? "Two to six different answers, one a line."
      : undefined;
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (problem || !ask.trim()) return;
    const question = { id: crypto.randomUUID().slice(0, 20), kind, ask, options: kind === "choose" ? list : [] };
    if (!(await lead({ do: "ask", question }))) return;
    setAsk("");
    onOpenChange(false);
  };
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Ask everybody now">
      <form className="grid gap-4" onSubmit={(event) => void submit(event)}>
        <Field label="Your question">
          {(props) => (
            <input
              {...props}
              autoFocus
              className={inputClasses}
              maxLength={300}
              value={ask}
              onChange={(event) => setAsk(event.target.value)}
            />
          )}
        </Field>
        <div className="grid gap-1">
          <span className="text-[13px] text-ink-soft">They answer by</span>
          <Segmented
            label="They answer by"
            value={kind}
            options={quickKinds.map((value) => ({ value, text: names[value] }))}
            onChange={setKind}
          />
        </div>
        {kind === "choose" && (
          <Field label="What they can choose" problem={problem}>
            {(props) => (
              <textarea
                {...props}
                rows={4}
                className={inputClasses}
                value={options}
                onChange={(event) => setOptions(event.target.value)}
              />
            )}
          </Field>
        )}
        <div className="flex justify-end">
          <Button look="main" type="submit" disabled={Boolean(problem) || !ask.trim()}>
            Ask
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
