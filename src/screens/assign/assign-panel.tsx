"use client";
import { clsx } from "clsx";
import { ChevronDown, ChevronRight, Wrench } from "lucide-react";
import Link from "next/link";
import { useState, type ReactNode } from "react";
import type { Finding } from "@/core/assign/finding";
import type { AssignForm } from "@/core/assign/form";
import { assignResources } from "@/screens/acts/assign";
import type { Audience } from "@/server/audience";
import { Button, buttonClasses } from "@/ui/button";
import { Notice } from "@/ui/notice";
import { Segmented } from "@/ui/segmented";
import { MoreFields } from "./more-fields";
import { ToField } from "./to-field";
import { openingFor, startForm } from "./start-form";
import { useAudience, useLastLook, type Looked } from "./use-assign";
import { usePlanActs } from "../plan/use-plan-acts";
import { ResourceOrder } from "./resource-order";
import { VersionsGrid } from "./versions-grid";
import { WhenFields } from "./when-fields";

export interface AssignPanelProps {
  resources: readonly { id: number; title: string }[];
  /** The class in the bar on top. */
  current: number | null;
  /** The meeting it was dropped on. */
  place?: { class: number; date: string; period: number } | null;
  /** Earlier work whose settings are taken over. */
  like?: number | null;
  now: Date;
  onDone: () => void;
}

function Fold({
  title,
  open,
  onOpen,
  children,
}: {
  title: string;
  open: boolean;
  onOpen: (open: boolean) => void;
  children: ReactNode;
}) {
  return (
    <div>
      <button
        type="button"
        aria-expanded={open}
        onClick={() => onOpen(!open)}
        className="flex items-center gap-1 text-[13px] font-semibold text-green"
      >
        {open ? <ChevronDown size={14} aria-hidden /> : <ChevronRight size={14} aria-hidden />} {title}
      </button>
      {open && <div className="mt-2">{children}</div>}
    </div>
  );
}

function FindingLine({ finding, onChange }: { finding: Finding; onChange: (change: Partial<AssignForm>) => void }) {
  return (
    <li>
      <Notice tone={finding.level === "stop" ? "warning" : "information"} className="text-[14px]">
        <span className="flex flex-wrap items-center gap-x-3 gap-y-1">
          <span className="min-w-48 flex-1">
            {finding.level === "stop" && <strong className="text-clay">Stops it: </strong>}
            {finding.text}
          </span>
          {finding.remedies.map((remedy) =>
            "href" in remedy ? (
              <Link key={remedy.text} href={remedy.href} className={buttonClasses("plain", "small")}>
                {remedy.text}
              </Link>
            ) : (
              <Button key={remedy.text} size="small" onClick={() => onChange(remedy.change)}>
                <Wrench size={13} aria-hidden /> {remedy.text}
              </Button>
            ),
          )}
        </span>
      </Notice>
    </li>
  );
}

const MOST_FINDINGS = 4;

function LastLook({
  looked,
  fresh,
  onChange,
}: {
  looked: Looked;
  fresh: boolean;
  onChange: (change: Partial<AssignForm>) => void;
}) {
  const [all, setAll] = useState(false);
  const { findings } = looked;
  const shown = all ? findings : findings.slice(0, MOST_FINDINGS);
  return (
    <section aria-label="Last look" aria-busy={!fresh} className={clsx("grid gap-3", !fresh && "opacity-60")}>
      {findings.length > 0 && (
        <ul className="grid gap-2.5">
          {shown.map((finding) => (
            <FindingLine key={finding.key} finding={finding} onChange={onChange} />
          ))}
        </ul>
      )}
      {findings.length > shown.length && (
        <Button size="small" look="quiet" className="justify-self-start" onClick={() => setAll(true)}>
          {findings.length - shown.length} more worth a look
        </Button>
      )}
      {looked.problem && <Notice tone="warning">{looked.problem}</Notice>}
      <div aria-live="polite">
        {looked.said.map((sentence) => (
          <p key={sentence} className="text-[15px] leading-snug">
            {sentence}
          </p>
        ))}
      </div>
    </section>
  );
}

function Filled({ audience, ...props }: AssignPanelProps & { audience: Audience }) {
  const { resources, current, now, onDone } = props;
  const [form, setForm] = useState(() =>
    startForm(
      resources.map(({ id }) => id),
      audience,
      current,
      props.place ?? null,
    ),
  );
  const [versions, setVersions] = useState(false);
  const [more, setMore] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const { run, busy } = usePlanActs();
  const { looked, fresh } = useLastLook(form);
  const change = (part: Partial<AssignForm>) => {
    setProblem(null);
    setForm((before) => ({ ...before, ...part }));
  };
  const stopped = looked?.findings.some(({ level }) => level === "stop") ?? false;
  const nobody = form.to.length === 0;
  const single = resources.length === 1 ? resources[0]! : null;
  const someHaveTime = audience.classes.some(({ students }) => students.some(({ factor }) => factor > 1));

  const send = () => {
    const names = audience.classes.filter(({ id }) => form.to.some((one) => one.class === id)).map(({ name }) => name);
    run(
      () => assignResources(form),
      () => `Given to ${names.join(" and ")}.`,
      onDone,
      setProblem,
    );
  };

  return (
    <div className="mb-5 grid max-w-3xl grid-cols-[minmax(0,1fr)] gap-4 rounded-card border border-line bg-card p-5">
      <ToField
        audience={audience}
        to={form.to}
        onChange={(to) => change({ to, opens: openingFor(audience, to, form.opens) })}
      />
      {single && (audience.versions.length > 0 || someHaveTime) && (
        <Fold title="Different versions, more time …" open={versions} onOpen={setVersions}>
          <VersionsGrid audience={audience} form={form} title={single.title} onChange={change} />
        </Fold>
      )}
      {(!single || form.parts) && (
        <div>
          <p className="mb-1 text-[13px] text-ink-soft">
            {form.parts ? `In ${form.parts.length} parts` : `${resources.length} resources`}
          </p>
          <Segmented
            label="Spread"
            value={form.spread}
            onChange={(spread) => change({ spread, ...(spread === "together" && { parts: null }) })}
            options={[
              { value: "together", text: "all at once" },
              { value: "one a meeting", text: "one in each lesson" },
            ]}
          />
          {!single && (
            <ResourceOrder
              resources={resources}
              order={form.resources}
              onChange={(order) => change({ resources: order })}
            />
          )}
        </div>
      )}
      <WhenFields audience={audience} form={form} now={now} onChange={change} />
      <Fold title="How often, checking, days, goals …" open={more} onOpen={setMore}>
        <MoreFields audience={audience} form={form} now={now} onChange={change} />
      </Fold>
      <div className="border-t border-line pt-3">
        {nobody ? (
          <p className="text-ink-soft">Choose at least one student.</p>
        ) : looked ? (
          <LastLook looked={looked} fresh={fresh} onChange={change} />
        ) : (
          <p className="text-ink-soft">Looking it over …</p>
        )}
      </div>
      {problem && <Notice tone="warning">{problem}</Notice>}
      <div className="sticky bottom-0 z-20 -mx-5 -mb-5 flex justify-end gap-2 rounded-b-card border-t border-line bg-card px-5 py-3">
        <Button onClick={onDone}>Not now</Button>
        <Button look="main" disabled={busy || nobody || !fresh || stopped || Boolean(looked?.problem)} onClick={send}>
          {busy ? "One moment …" : "Give it"}
        </Button>
      </div>
    </div>
  );
}

/** Gives resources to students: who, when, how often; looked over and said back in one sentence before it goes. */
export function AssignPanel(props: AssignPanelProps) {
  const { audience, problem } = useAudience(
    props.resources.map(({ id }) => id),
    props.like ?? null,
  );
  return (
    <section aria-label="Assign" className="h-full overflow-auto px-5">
      {problem && <Notice tone="warning">{problem}</Notice>}
      {!audience && !problem && <p className="text-ink-soft">One moment …</p>}
      {audience?.classes.length === 0 && <p>You have no class yet, so there is nobody to give this to.</p>}
      {audience && audience.classes.length > 0 && <Filled {...props} audience={audience} />}
    </section>
  );
}
