"use client";
import { useRouter } from "next/navigation";
import { useState, type FormEvent } from "react";
import { makeResource } from "@/screens/acts/adapt";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Field, TextInput } from "@/ui/field";

/** Asks what something new is called, and opens it in the editor. */
export function NewResource({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const outcome = await makeResource({ title: String(new FormData(event.currentTarget).get("title")) });
    if (outcome.ok) router.push(`/adapt/${outcome.value.resource}`);
    else setProblem(outcome.problem);
  };
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Make something new">
      <form onSubmit={submit} className="grid gap-4">
        <Field label="What is it called?" problem={problem ?? undefined}>
          {(control) => <TextInput {...control} name="title" maxLength={300} />}
        </Field>
        <div className="flex justify-end">
          <Button type="submit" look="main">
            Begin
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
