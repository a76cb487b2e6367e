"use client";
import type { FormEvent } from "react";
import { connectProvider, disconnectProvider } from "@/screens/acts/provider";
import { Button } from "@/ui/button";
import { Field, TextInput } from "@/ui/field";
import { ConnectedList } from "./connected-list";
import { useKeep } from "./use-keep";

/** The school's own sign-in (OpenID Connect): one account for everything the school has. */
export function SchoolSignInCard({
  providers,
  address,
}: {
  providers: readonly { id: number; name: string; issuer: string }[];
  /** Where the school's sign-in sends people back to. */
  address: string;
}) {
  const { notice, busy, keep } = useKeep();
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const text = (name: string) => String(new FormData(form).get(name));
    const said = { issuer: text("issuer"), clientId: text("clientId"), clientSecret: text("clientSecret") };
    keep(
      async () => {
        const outcome = await connectProvider({ name: text("name"), ...said });
        if (outcome.ok) form.reset();
        return outcome;
      },
      () => "Connected. The sign-in page has a button for it now.",
    );
  };
  return (
    <section aria-labelledby="school-sign-in" className="rounded-card border border-line bg-card p-5">
      <h2 id="school-sign-in" className="font-semibold">
        The school’s own sign-in
      </h2>
      <p className="mt-1 text-[13px] text-ink-soft">
        With OpenID Connect, staff and students sign in with the account they have already. Staff are known by their
        checked e-mail address, students by their number in the roster, or their name for signing in. Register this
        address there:
      </p>
      <p className="mt-1 [overflow-wrap:anywhere] select-all">{address}</p>
      {providers.length > 0 && (
        <ConnectedList
          label="Connected sign-ins"
          connected={providers}
          busy={busy}
          onDisconnect={({ id, name }) =>
            keep(
              () => disconnectProvider({ provider: id }),
              () => `${name} is not connected any more. Passwords still work.`,
            )
          }
        />
      )}
      {/* With one connected, another is rare. */}
      <details className="mt-3" open={providers.length === 0}>
        <summary className="cursor-pointer text-[13px] font-semibold">
          {providers.length === 0 ? "Connect it" : "Connect another"}
        </summary>
        <form onSubmit={submit} className="mt-2 grid gap-3 sm:grid-cols-2">
          <Field label="Name, for the button" className="sm:col-span-2">
            {(control) => <TextInput {...control} name="name" required maxLength={60} />}
          </Field>
          <Field label="Address (issuer)" className="sm:col-span-2">
            {(control) => <TextInput {...control} name="issuer" required maxLength={2000} />}
          </Field>
          <Field label="Client ID">
            {(control) => <TextInput {...control} name="clientId" required maxLength={500} />}
          </Field>
          <Field label="Client secret">
            {(control) => (
              <TextInput {...control} name="clientSecret" type="password" autoComplete="off" required maxLength={500} />
            )}
          </Field>
          <div className="sm:col-span-2">
            <Button type="submit" disabled={busy}>
              {busy ? "Asking it …" : "Connect"}
            </Button>
          </div>
        </form>
      </details>
      {notice}
    </section>
  );
}
