"use client";
import { useState, useTransition } from "react";
import { DirectoryInput } from "@/core/people/inputs";
import { forgetDirectory, keepDirectory, rosterFromDirectory } from "@/screens/acts/directory";
import { useDone } from "@/screens/use-done";
import type { RosterEffect } from "@/server/office/school-roster";
import { Button } from "@/ui/button";
import { FormText, useCheckedForm } from "@/ui/checked-form";
import { Notice } from "@/ui/notice";
import { ChooseSchool, RosterEffectBox, rosterSaid } from "./roster-effect";
import { useKeep } from "./use-keep";

export interface DirectorySaid {
  address: string;
  tokenUrl: string;
  clientId: string;
  /** When its roster was brought in last, as it is said; null: never. */
  fetched: string | null;
}

/** The school's directory, whose roster is fetched without a file. */
export function DirectoryCard({ directory }: { directory: DirectorySaid | null }) {
  const [editing, setEditing] = useState(false);
  return (
    <section aria-labelledby="directory" className="rounded-card border border-line bg-card p-5">
      <h2 id="directory" className="font-semibold">
        Roster from the directory
      </h2>
      <p className="mt-1 text-ink-soft">
        If the district has a directory that speaks OneRoster 1.2, the roster can come straight from it. You see what
        would change before anything does.
      </p>
      {directory && !editing ? (
        <FetchRoster directory={directory} onEdit={() => setEditing(true)} />
      ) : (
        <DirectoryForm directory={directory} onEnd={() => setEditing(false)} />
      )}
    </section>
  );
}

function FetchRoster({ directory, onEdit }: { directory: DirectorySaid; onEdit: () => void }) {
  const [seen, setSeen] = useState<RosterEffect | null>(null);
  const [schools, setSchools] = useState<RosterEffect["schools"]>([]);
  const [org, setOrg] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const formatDone = useDone();
  const { notice, busy: keeping, keep } = useKeep();
  const ask = (apply: boolean, of: string | null) =>
    start(async () => {
      const outcome = await rosterFromDirectory({ org: of, apply });
      setProblem(outcome.ok ? null : outcome.problem);
      if (!outcome.ok) return setSeen(null);
      const { value } = outcome;
      setSeen(apply ? null : value);
      if (apply) {
        setSchools([]);
        formatDone(rosterSaid(value), value.event);
      } else if (value.schools.length > 0) setSchools(value.schools);
    });
  return (
    <>
      <p className="mt-2 text-[13px] [overflow-wrap:anywhere]">
        {directory.address}
        <span className="block text-ink-soft">
          {directory.fetched ? `Brought in last on ${directory.fetched}` : "Nothing has been brought in from it yet."}
        </span>
      </p>
      <div className="mt-3 flex flex-wrap gap-2">
        <Button disabled={busy} onClick={() => ask(false, org)}>
          {busy ? "Asking the directory …" : "See what has changed"}
        </Button>
        <Button look="quiet" onClick={onEdit}>
          Change
        </Button>
        <Button
          look="quiet"
          disabled={keeping}
          onClick={() =>
            keep(
              () => forgetDirectory({}),
              () => "The directory is removed. Classes and students stay as they are.",
            )
          }
        >
          Remove
        </Button>
      </div>
      {notice}
      {problem && (
        <Notice tone="warning" className="mt-3">
          {problem}
        </Notice>
      )}
      {schools.length > 0 && (
        <ChooseSchool
          schools={schools}
          value={org}
          label={`The directory has ${schools.length} schools. Which one is yours?`}
          onChoose={(chosen) => {
            setOrg(chosen);
            ask(false, chosen);
          }}
        />
      )}
      {seen && seen.schools.length === 0 && (
        <RosterEffectBox
          name="The directory"
          seen={seen}
          busy={busy}
          onImport={() => ask(true, org)}
          onCancel={() => setSeen(null)}
        />
      )}
    </>
  );
}

function DirectoryForm({ directory, onEnd }: { directory: DirectorySaid | null; onEnd: () => void }) {
  const done = useDone();
  const { address = "", tokenUrl = "", clientId = "" } = directory ?? {};
  const form = useCheckedForm(DirectoryInput, { address, tokenUrl, clientId, clientSecret: "" }, async (said) => {
    const outcome = await keepDirectory(said);
    if (!outcome.ok) return outcome;
    onEnd();
    done("The directory is saved. Press “See what has changed” to ask it.", null);
  });
  return (
    <form onSubmit={form.submit} noValidate className="mt-3 grid gap-3">
      <FormText
        form={form}
        name="address"
        label="Address of the directory"
        help="It ends with /ims/oneroster/rostering/v1p2"
      />
      <FormText form={form} name="tokenUrl" label="Address for tokens (OAuth 2.0)" />
      <div className="grid gap-3 sm:grid-cols-2">
        <FormText form={form} name="clientId" label="Client ID" />
        <FormText
          form={form}
          name="clientSecret"
          label={directory ? "Client secret (empty: as it is)" : "Client secret"}
          type="password"
          autoComplete="off"
        />
      </div>
      {form.notice}
      <div className="flex gap-2">
        <Button type="submit" disabled={form.busy}>
          Save the directory
        </Button>
        {directory && <Button onClick={onEnd}>Cancel</Button>}
      </div>
    </form>
  );
}
