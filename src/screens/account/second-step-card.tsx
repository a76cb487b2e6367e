"use client";
import { ShieldCheck } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState, useTransition, type FormEvent } from "react";
import { beginSecondFactor, turnOffSecondFactor, turnOnSecondFactor } from "@/screens/acts/account";
import { Button } from "@/ui/button";
import { Field, TextInput } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { tell } from "@/ui/toast";
import { Qr } from "../classes/qr";

interface Begun {
  secret: string;
  address: string;
  password: string;
}

/** A code from an app beside the password: set up with a picture, turned off with the password. */
export function SecondStepCard({ email, recoveryLeft }: { email: string; recoveryLeft: number | null }) {
  const router = useRouter();
  const [begun, setBegun] = useState<Begun | null>(null);
  const [codes, setCodes] = useState<readonly string[] | null>(null);
  const [problem, setProblem] = useState<{ text: string; field?: string | undefined }>();
  const [busy, start] = useTransition();
  const isOn = recoveryLeft !== null;
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const said = new FormData(event.currentTarget);
    const text = (name: string) => String(said.get(name) ?? "");
    start(async () => {
      if (begun) {
        const outcome = await turnOnSecondFactor({ ...begun, code: text("code") });
        setProblem(outcome.ok ? undefined : { text: outcome.problem, field: outcome.field });
        if (!outcome.ok) return;
        setCodes(outcome.value.codes);
        setBegun(null);
        router.refresh();
        return;
      }
      const password = text("password");
      const outcome = isOn ? await turnOffSecondFactor({ password }) : await beginSecondFactor({ password });
      setProblem(outcome.ok ? undefined : { text: outcome.problem, field: outcome.field });
      if (!outcome.ok) return;
      if ("secret" in outcome.value) setBegun({ ...(outcome.value as Omit<Begun, "password">), password });
      else {
        setCodes(null);
        tell("The second step is off.");
        router.refresh();
      }
    });
  };
  return (
    <section aria-labelledby="second-step" className="rounded-card border border-line bg-card p-5">
      <h2 id="second-step" className="flex items-center gap-2 font-semibold">
        <ShieldCheck size={17} aria-hidden /> A second step when you sign in: {isOn ? "on" : "off"}
      </h2>
      <p className="mt-1 text-ink-soft">
        {isOn
          ? `After your password you type a code from the app on your phone. Codes you wrote down that still work: ${recoveryLeft}.`
          : "After your password you type a code that an app on your phone shows. Somebody who learns your password still cannot get in."}
      </p>
      {codes && (
        <Notice tone="good" className="mt-3">
          <p className="font-semibold">Write these eight codes down now: they are shown only once.</p>
          <p>Each works once instead of the app, for when your phone is not there.</p>
          <ul
            className="numbers mt-2 grid max-w-md grid-cols-2 gap-x-6 gap-y-1 select-all"
            aria-label="Codes to write down"
          >
            {codes.map((code) => (
              <li key={code}>{code}</li>
            ))}
          </ul>
        </Notice>
      )}
      <form onSubmit={submit} className="mt-3 grid gap-3">
        {begun ? (
          <div className="flex flex-wrap items-start gap-5">
            <Qr text={begun.address} label={`Picture for the app, for ${email}`} className="size-40" />
            <div className="grid min-w-64 flex-1 gap-3">
              <p>
                Open the app on your phone, scan the picture, and type the code it shows. Cannot scan? Type this into
                the app: <code className="numbers [overflow-wrap:anywhere] select-all">{begun.secret}</code>
              </p>
              <Field label="Code from the app" problem={problem?.text}>
                {(control) => (
                  <TextInput
                    {...control}
                    name="code"
                    inputMode="numeric"
                    autoComplete="one-time-code"
                    autoFocus
                    maxLength={7}
                    className="!w-40"
                    required
                  />
                )}
              </Field>
            </div>
          </div>
        ) : (
          <Field label="Your password" problem={problem?.text} className="max-w-80">
            {(control) => (
              <TextInput {...control} name="password" type="password" autoComplete="current-password" required />
            )}
          </Field>
        )}
        <div className="flex gap-2">
          <Button type="submit" disabled={busy}>
            {begun ? "Turn it on" : isOn ? "Turn it off" : "Set it up"}
          </Button>
          {begun && <Button onClick={() => setBegun(null)}>Cancel</Button>}
        </div>
      </form>
    </section>
  );
}
