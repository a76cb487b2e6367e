"use client";
import { zodResolver } from "@hookform/resolvers/zod";
import { useRef, type ComponentProps, type ReactNode } from "react";
import { get, useForm, type DefaultValues, type FieldValues, type Path, type UseFormRegister } from "react-hook-form";
import type { z } from "zod";
import { Field, TextInput } from "./field";
import { Notice } from "./notice";

/** What the act answered: done, or what is wrong and with which field. */
export type Answer = { ok: true } | { ok: false; problem: string; field?: string };

/** What is wrong, by the path of its field ("office.email"). */
function byPath(errors: object, path = ""): [string, string][] {
  return Object.entries(errors).flatMap(([name, error]: [string, unknown]) => {
    if (typeof error !== "object" || error === null || name === "ref") return [];
    const at = path ? `${path}.${name}` : name;
    const { message } = error as { message?: unknown };
    return typeof message === "string" ? [[at, message] as [string, string]] : byPath(error, at);
  });
}

const leftForButton = (event: object) => "relatedTarget" in event && event.relatedTarget instanceof HTMLButtonElement;

/**
 * A form that is checked by the schema of the act it is sent to: a wrong field is said beside it when it is left, and all of them before
 * anything is sent. What only the server knows comes back to its field too. `submit` is for the form, `notice` stands above its button.
 *
 *     const form = useCheckedForm(BeginInput, { code: "", school: "" }, (said) => beginSchool(said));
 *     <form onSubmit={form.submit} noValidate><FormText form={form} name="school" label="Its name" /></form>
 */
export function useCheckedForm<Input extends FieldValues, Output>(
  schema: z.ZodType<Output, Input>,
  values: NoInfer<DefaultValues<Input>>,
  send: (said: Output, reset: (values?: Input) => void) => Promise<Answer | void>,
) {
  // The library changes what it returns in place, which the compiler cannot see.
  "use no memo";
  const form = useForm<Input, unknown, Output>({
    resolver: zodResolver(schema),
    defaultValues: values,
    mode: "onTouched",
  });
  const { errors, isDirty, isSubmitting } = form.formState;
  const wrong = byPath(errors);
  const problemAt = (name: string) => wrong.find(([at]) => at === name || at.startsWith(`${name}.`))?.[1];
  // A field that is left for a button says nothing yet: the line that appears would move the button just as it is pressed.
  const register: UseFormRegister<Input> = (name, options) => {
    const field = form.register(name, options);
    return {
      ...field,
      onBlur: async (event) => {
        if (!leftForButton(event)) await field.onBlur(event);
      },
    };
  };
  const sending = useRef(false);
  const submit = form.handleSubmit(async (said) => {
    const outcome = await send(said, (values) => form.reset(values));
    if (!outcome || outcome.ok) return;
    const hasField = outcome.field !== undefined && get(form.getValues(), outcome.field) !== undefined;
    const field = (hasField ? outcome.field : "root") as Path<Input> | "root";
    form.setError(field, { message: outcome.problem }, { shouldFocus: hasField });
  });
  const whole = problemAt("root");
  return {
    control: form.control,
    register,
    setValue: form.setValue,
    reset: form.reset,
    problemAt,
    submit(event: React.FormEvent) {
      event.preventDefault();
      // Pressed twice before the button rests, it is sent once.
      if (sending.current) return;
      sending.current = true;
      void submit(event).finally(() => (sending.current = false));
    },
    busy: isSubmitting,
    isDirty,
    notice: whole && <Notice tone="warning">{whole}</Notice>,
  };
}

export type CheckedForm<Input extends FieldValues> = ReturnType<typeof useCheckedForm<Input, unknown>>;

/** A line of text in such a form, with its label and what is wrong with it. */
export function FormText<Input extends FieldValues>({
  form,
  name,
  label,
  help,
  className,
  ...rest
}: {
  form: Pick<CheckedForm<Input>, "register" | "problemAt">;
  name: Path<Input>;
  label: string;
  help?: ReactNode;
  className?: string;
} & Omit<ComponentProps<"input">, "form" | "name" | "className">) {
  return (
    <Field label={label} problem={form.problemAt(name)} help={help} {...(className && { className })}>
      {(control) => <TextInput {...control} {...rest} {...form.register(name)} />}
    </Field>
  );
}
