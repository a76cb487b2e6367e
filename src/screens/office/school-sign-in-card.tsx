"use client";
import { ProviderInput } from "@/core/people/inputs";
import { connectProvider, disconnectProvider } from "@/screens/acts/provider";
import { Button } from "@/ui/button";
import { FormText, useCheckedForm } from "@/ui/checked-form";
import { useDone } from "../use-done";
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
  const done = useDone();
  const nothing = { name: "", issuer: "", clientId: "", clientSecret: "" };
  const form = useCheckedForm(ProviderInput, nothing, async (said, reset) => {
    const outcome = await connectProvider(said);
    if (!outcome.ok) return outcome;
    reset();
    done("Connected. The sign-in page has a button for it now.", null);
  });
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
        <form onSubmit={form.submit} noValidate className="mt-2 grid gap-3 sm:grid-cols-2">
          <FormText form={form} name="name" label="Name, for the button" className="sm:col-span-2" />
          <FormText form={form} name="issuer" label="Address (issuer)" className="sm:col-span-2" />
          <FormText form={form} name="clientId" label="Client ID" />
          <FormText form={form} name="clientSecret" label="Client secret" type="password" autoComplete="off" />
          {form.notice}
          <div className="sm:col-span-2">
            <Button type="submit" disabled={form.busy}>
              {form.busy ? "Asking it …" : "Connect"}
            </Button>
          </div>
        </form>
      </details>
      {notice}
    </section>
  );
}
