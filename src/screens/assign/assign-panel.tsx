"use client";
import { clsx } from "clsx";
import { Send } from "lucide-react";
import { useMemo, useRef, useState } from "react";
import { forTheseFrom } from "@/core/assign/for-these";
import type { AssignForm } from "@/core/assign/form";
import { copyWithoutVoices } from "@/screens/acts/adapt";
import { assignResources } from "@/screens/acts/assign";
import type { Audience } from "@/server/assign/audience";
import { Button } from "@/ui/button";
import { Key } from "@/ui/key";
import { Notice } from "@/ui/notice";
import { tell } from "@/ui/toast";
import { useAddress } from "../use-address";
import { useNoted } from "../use-noted";
import { usePlanActs } from "../plan/use-plan-acts";
import { AssignLine } from "./assign-line";
import { showLinks, type Linked } from "./assignment-link";
import { FormFields } from "./form-fields";
import { keptAs, keptFrom } from "./kept-form";
import { LastLook } from "./last-look";
import { startForm } from "./start-form";
import { useAudience, useLastLook, type Looked } from "./use-assign";
import { useAssignForm } from "./use-assign-form";
import { useSending } from "./use-sending";

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

/** “except Bo” is / “except Bo” and “soonish” are not understood. */
function formatNotUnderstood(
  line: string,
  pieces: readonly { from: number; to: number; problem: string | null }[],
): string {
  const said = pieces.filter(({ problem }) => problem !== null).map(({ from, to }) => `“${line.slice(from, to)}”`);
  return said.length === 0 ? "" : `${said.join(" and ")} ${said.length === 1 ? "changes" : "change"} nothing yet.`;
}

/** What could be typed, with a class of hers. */
function exampleLine(audience: Audience | null): string {
  const group = audience?.classes[0];
  const name = group?.name.split(" ").at(-1)!.toLowerCase() ?? "puffin";
  const [student] = group?.students ?? [];
  return `${name}${student ? ` except ${student.givenName}` : ""}, tue first lesson, due fri 3 pm, 2 tries`;
}

/** What was assigned, each with its name: class by class, each thing in its order. */
function linked(
  assignments: readonly number[],
  classes: readonly string[],
  things: readonly { title: string }[],
): Linked[] {
  const regular = assignments.length === classes.length * things.length;
  return assignments.map((id, at) => {
    const title = things[regular ? at % things.length : 0]!.title;
    const group = classes[Math.floor((at / assignments.length) * classes.length)]!;
    return { id, title: classes.length > 1 ? `${title}, ${group}` : title };
  });
}

function SaidBack({ looked, fresh, nobody }: { looked: Looked | null; fresh: boolean; nobody: boolean }) {
  return (
    <div
      role="status"
      aria-label="In words"
      aria-busy={!fresh}
      className={clsx(
        "max-h-32 overflow-auto font-serif text-[16px] leading-snug",
        !fresh && !nobody && "text-ink-soft",
      )}
    >
      {nobody ? (
        <p>Choose at least one student.</p>
      ) : looked ? (
        looked.said.map((sentence) => <p key={sentence}>{sentence}</p>)
      ) : (
        <p className="text-ink-soft">Checking …</p>
      )}
    </div>
  );
}

/**
 * Assigns resources to students: who, when, how often, typed as a line or chosen in the form; looked over and said back in one
 * sentence before it goes. The line is there at once, so that nothing typed is lost while the rest arrives.
 */
export function AssignPanel(props: AssignPanelProps) {
  const { resources, current, now, onDone } = props;
  const ids = resources.map(({ id }) => id);
  const { audience, problem: unreachable } = useAudience(ids, props.like ?? null);
  const { parameters } = useAddress();
  const [first] = useState({ ids, current, place: props.place ?? null, these: forTheseFrom(parameters) });
  const start = useMemo(
    () =>
      audience && audience.classes.length > 0
        ? startForm(first.ids, audience, first.current, first.place, first.these)
        : null,
    [audience, first],
  );
  const [kept] = useState(() => keptFrom(parameters, ids));
  const { line, setLine, form, beneath, pieces, change } = useAssignForm(audience, start, now, kept);
  useNoted(keptAs(ids, line, beneath, start));
  const [problem, setProblem] = useState<string | null>(null);
  const { run, busy } = usePlanActs();
  const { looked, fresh } = useLastLook(form);
  /** Copies made here, which are assigned in place of what she chose. */
  const copying = useRef(false);
  const [copies, setCopies] = useState<{ id: number; title: string }[]>([]);
  const titled = [...copies, ...resources, ...(audience?.versions ?? [])];
  const named =
    form?.resources.map((id) => ({ id, title: titled.find((one) => one.id === id)?.title ?? "" })) ?? resources;
  const nobody = form?.to.length === 0;
  const notUnderstood = formatNotUnderstood(line, pieces);
  const send = (settled: () => void) => {
    if (!form || !audience) return;
    const names = audience.classes.filter(({ id }) => form.to.some((one) => one.class === id)).map(({ name }) => name);
    run(
      () => assignResources(form),
      () => `Assigned to ${names.join(" and ")}.`,
      () => {
        // The panel may stay a moment: it must not go out again.
        settled();
        onDone();
      },
      (why) => {
        setProblem(why);
        settled();
      },
      ({ assignments }) => ({ label: "Link", onClick: () => showLinks(linked(assignments, names, named)) }),
    );
  };
  const { ask, waits, forget, waiting } = useSending({ looked, fresh, nobody, busy, notUnderstood, send });
  const byHand = (part: Partial<AssignForm>) => {
    setProblem(null);
    forget();
    change(part);
  };
  const copy = async (resource: number) => {
    if (!form || copying.current) return;
    copying.current = true;
    const outcome = await copyWithoutVoices({ resource });
    copying.current = false;
    if (!outcome.ok) return setProblem(outcome.problem);
    const { resource: id, title } = outcome.value;
    setCopies([...copies, { id, title }]);
    byHand({
      resources: form.resources.map((one) => (one === resource ? id : one)),
      versions: form.versions.map((one) => (one.of === resource ? { ...one, of: id } : one)),
    });
    tell(`Your copy of “${title}” has no voice in it. It is in your satchel.`);
  };
  const stopped = looked?.findings.some(({ level }) => level === "stop") ?? false;

  if (audience?.classes.length === 0)
    return (
      <section aria-label="Assign" className="px-5">
        <p>You have no class yet, so there is nobody to assign this to.</p>
      </section>
    );
  return (
    <section
      aria-label="Assign"
      className="flex h-full min-h-0 flex-col px-5"
      onKeyDown={(event) => {
        if (event.key !== "Enter" || !(event.ctrlKey || event.metaKey)) return;
        event.preventDefault();
        ask("at once");
      }}
    >
      <div className="-mx-5 grid min-h-0 max-w-3xl flex-1 auto-rows-min grid-cols-[minmax(0,1fr)] gap-3.5 overflow-auto px-5 pt-1 pb-4">
        <AssignLine
          line={line}
          pieces={pieces}
          example={exampleLine(audience)}
          onLine={(next) => {
            setProblem(null);
            forget();
            setLine(next);
          }}
          onEnter={() => ask("Enter")}
        />
        {unreachable && <Notice tone="warning">{unreachable}</Notice>}
        {audience && form ? (
          <FormFields audience={audience} resources={named} form={form} now={now} onChange={byHand} />
        ) : (
          !unreachable && <p className="text-ink-soft">One moment …</p>
        )}
        {problem && <Notice tone="warning">{problem}</Notice>}
      </div>
      <div className="-mx-5 grid gap-2 border-t border-line px-5 pt-2.5 pb-3">
        {!nobody && looked && <LastLook looked={looked} fresh={fresh} onChange={byHand} onCopy={copy} />}
        <SaidBack looked={looked} fresh={fresh} nobody={nobody} />
        <div className="flex flex-wrap items-center justify-end gap-2">
          <p role="status" className="min-w-48 flex-1 text-[14px] font-semibold text-clay">
            {waits ?? notUnderstood}
          </p>
          <Button onClick={onDone}>Cancel</Button>
          <Button
            look="main"
            disabled={!form || busy || nobody || !fresh || stopped || Boolean(looked?.problem)}
            onClick={() => ask("at once")}
          >
            <Send size={15} aria-hidden /> {busy || waiting ? "One moment …" : "Assign"} <Key>ctrl enter</Key>
          </Button>
        </div>
      </div>
    </section>
  );
}
