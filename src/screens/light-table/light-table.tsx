"use client";
import { Backpack, GitBranch, Send, Share2 } from "lucide-react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { useEffect, useState, useTransition } from "react";
import { forTheseAs } from "@/core/assign/for-these";
import { formatDay } from "@/core/calendar/format-moment";
import { formatGradeSpan, formatReadingGrade } from "@/core/content/grade";
import { formatList } from "@/core/format-list";
import { creditLine, licenceNames } from "@/core/licence/licence";
import { adaptResource } from "@/screens/acts/adapt";
import { orTell } from "@/screens/acts/tried";
import { packAgain, packResource, unpackResources } from "@/screens/acts/satchel";
import type { AssignContext } from "@/server/assign/assign-context";
import type { LightTableData } from "@/server/find/light-table";
import { Button } from "@/ui/button";

import { Key } from "@/ui/key";
import { useKeys } from "@/ui/keys";
import { dropKeys, holdKeys } from "@/ui/keys-ahead";
import { Notice } from "@/ui/notice";
import { Tip } from "@/ui/tip";
import { tell, tellProblem } from "@/ui/toast";
import { focusAssignLine } from "../assign/assign-line";
import { AssignPanel } from "../assign/assign-panel";
import { RemoveFromShelf } from "../desk/remove-dialog";
import { SharePanel } from "../share/share-panel";
import { openOnTable } from "../shell/opened";
import { useAddress } from "../use-address";
import { AdaptDialog } from "./adapt-dialog";
import { Views, viewsOf } from "./views";
import { FactsView } from "./facts-view";
import { FitStatement } from "./fit-statement";
import { NotesView } from "./notes-view";
import { EditionsView } from "./editions-view";
import { ReportDialog } from "./report-dialog";
import { LeadButton } from "../live/lead-button";
import { PocketMenu } from "./pocket-menu";
import { StepTable } from "./step-table";

/** Pack or unpack, each with its way back. */
function usePacking(data: LightTableData) {
  const router = useRouter();
  const id = data.resource.id;
  const [packed, setPacked] = useState(data.packed);
  const pack = async () => {
    setPacked(true);
    const outcome = await packResource({ resource: id });
    if (!outcome.ok) {
      setPacked(false);
      return tellProblem(outcome.problem);
    }
    if (outcome.value.already) tell("It is in your satchel already.");
    else tell(`Packed “${data.facts.title}”.`, () => void unpack());
    router.refresh();
  };
  const unpack = async () => {
    setPacked(false);
    const outcome = await unpackResources({ ids: [id] });
    if (!outcome.ok) {
      setPacked(true);
      return tellProblem(outcome.problem);
    }
    tell(`Took “${data.facts.title}” out of your satchel.`, async () => {
      setPacked(true);
      if (!(await orTell(packAgain({ resources: [id], pockets: outcome.value })))) setPacked(false);
      router.refresh();
    });
    router.refresh();
  };
  return { packed, setPacked, toggle: () => void (packed ? unpack() : pack()) };
}

/** A lesson as an address names it, "12.2026-12-01.3": class, date, period. */
function placeFrom(text: string | null) {
  const found = /^(\d+)\.(\d{4}-\d\d-\d\d)\.(\d+)$/.exec(text ?? "");
  return found && { class: Number(found[1]), date: found[2]!, period: Number(found[3]) };
}

/** "Adapted by Ines Halloran and 2 others elsewhere." */
function formatAdapters({ names, others }: LightTableData["adapters"]): string | null {
  const who = [...names, ...(others > 0 ? [others === 1 ? "one other elsewhere" : `${others} others elsewhere`] : [])];
  if (who.length === 0) return null;
  return `Adapted by ${formatList(who)}.`;
}

function About({ data, assign }: { data: LightTableData; assign: AssignContext }) {
  const { resource, facts, document } = data;
  const parts = [
    resource.ownerName,
    resource.ownerSchool,
    facts.minutesFrom === "estimate" ? `about ${facts.minutes} min` : `${facts.minutes} min`,
    `grades ${formatGradeSpan(facts.grades)}`,
    facts.readingGrade === null ? null : `reads at ${formatReadingGrade(facts.readingGrade)}`,
    facts.standards.join(", ") || null,
    resource.revised && `revised ${formatDay(resource.revised, assign.zone, assign.now)}`,
    data.usedHere > 0 && `used by ${data.usedHere} ${data.usedHere === 1 ? "class" : "classes"} here`,
  ].filter(Boolean);
  return (
    <>
      <p className="mt-1 text-[13px] text-ink-soft">
        {parts.join(" · ")} · {licenceNames[document.licence]}
      </p>
      {data.original && (
        <p className="mt-0.5 text-[13px]">
          Adapted from{" "}
          <Link href={`/find?open=${data.original.id}`} className="text-green underline">
            {data.original.title}
          </Link>
        </p>
      )}
      {formatAdapters(data.adapters) && (
        <p className="mt-0.5 text-[13px] text-brass-text">{formatAdapters(data.adapters)}</p>
      )}
      {document.credits.map((credit, at) => (
        <p key={at} className="mt-0.5 text-[13px] text-brass-text">
          {creditLine(credit)}
        </p>
      ))}
    </>
  );
}

/** One resource, looked over: what it is, every step, notes and answers beside, and what can be done with it. */
export function LightTable({
  data,
  assign,
  assignInstead,
  shareInstead,
}: {
  data: LightTableData;
  assign: AssignContext;
  /** What the key `a` assigns in place of what is on the table: things that are ticked beside it. */
  assignInstead?: (() => void) | undefined;
  shareInstead?: (() => void) | undefined;
}) {
  const { go, parameters } = useAddress();
  const router = useRouter();
  const { packed, setPacked, toggle } = usePacking(data);
  const [asking, setAsking] = useState(false);
  const [toward, setToward] = useState("");
  const [busy, start] = useTransition();
  const { resource, facts } = data;
  const assigning = parameters.get("do") === "assign" && data.published && !data.lookOnly;
  const sharing = parameters.get("do") === "share" && data.mine;
  const looking = !assigning && !sharing;
  const view = viewsOf(data).find((one) => one.value === parameters.get("view"))?.value ?? "steps";

  const adaptNow = (voices?: "none") =>
    start(async () => {
      const outcome = await adaptResource({ resource: resource.id, ...(voices && { voices }) });
      if (outcome.ok) router.push(`/adapt/${outcome.value.resource}${toward}`);
      else tellProblem(outcome.problem);
    });
  const adapt = (place: "" | "/run-sheet") => {
    setToward(place);
    if (data.mine) router.push(`/adapt/${resource.id}${place}`);
    else if (!data.adapting.allowed) tellProblem(data.adapting.reason);
    else setAsking(true);
  };
  const openAssign = () => {
    if (!data.published) {
      dropKeys();
      tellProblem("Publish it first: students get what is published.");
    } else if (data.lookOnly) {
      dropKeys();
      tellProblem(`${data.resource.ownerName} shared it to look at only. Ask them if you may use it.`);
    } else if (!assigning) {
      holdKeys();
      go({ do: "assign" }, "push");
    } else focusAssignLine();
  };
  const openShare = () =>
    data.mine
      ? go({ do: sharing ? null : "share" }, "push")
      : tellProblem("Make your own copy first: you share what is yours.");
  useEffect(() => openOnTable(resource.id), [resource.id]);
  useKeys({
    p: () => (data.mine ? undefined : toggle()),
    e: () => adapt(""),
    r: () => adapt("/run-sheet"),
    a: assignInstead ?? openAssign,
    h: shareInstead ?? openShare,
  });

  return (
    <article className="flex min-h-0 flex-1 flex-col" aria-labelledby="light-table-title">
      <header className="px-5 pt-4 pb-3 max-md:px-3">
        <div className="flex flex-wrap items-start gap-x-3 gap-y-2">
          <h1
            id="light-table-title"
            className="min-w-52 flex-1 pt-1 font-serif text-[21px] leading-tight [overflow-wrap:anywhere] max-xl:basis-full"
          >
            {facts.title}
          </h1>
          {data.mine ? (
            <span
              role="img"
              aria-label="Mine"
              title="Mine"
              className="inline-flex h-9 items-center rounded-card border border-brass px-2 text-brass-text"
            >
              <Backpack size={16} aria-hidden />
            </span>
          ) : (
            <Tip text={packed ? "Take it out of my satchel (p)" : "Keep the author's original in my satchel (p)"}>
              <Button look={packed ? "brass" : "plain"} onClick={toggle} aria-pressed={packed}>
                <Backpack size={16} aria-hidden /> {packed ? "In my satchel" : "Pack"}
              </Button>
            </Tip>
          )}
          {data.published && !data.lookOnly && (
            <PocketMenu resource={resource.id} title={facts.title} onPacked={setPacked} />
          )}
          <Button onClick={() => adapt("")} disabled={busy}>
            <GitBranch size={16} aria-hidden /> {data.mine ? "Edit" : "Adapt"} <Key>e</Key>
          </Button>
          {looking && data.published && !data.lookOnly && assign.current !== null && (
            <LeadButton resource={resource.id} current={assign.current} classes={assign.classes} />
          )}
          {data.mine && (
            <Tip text="Share it (h)">
              <Button onClick={openShare} aria-expanded={sharing}>
                <Share2 size={16} aria-hidden /> Share …
              </Button>
            </Tip>
          )}
          <Button look="main" onClick={openAssign} aria-expanded={assigning}>
            <Send size={16} aria-hidden /> Assign …
          </Button>
        </div>
        <About data={data} assign={assign} />
        {data.keeps.length > 0 && (
          <p className="mt-0.5 flex gap-3">
            {data.keeps.map((shelf) => (
              <RemoveFromShelf key={shelf} resource={resource.id} title={facts.title} shelf={shelf} />
            ))}
          </p>
        )}
        {looking && <FitStatement data={data} assign={assign} />}
        {looking && (
          <Views
            data={data}
            view={view}
            onView={(next) => go({ view: next === "steps" ? null : next })}
            onRunSheet={() => adapt("/run-sheet")}
          />
        )}
      </header>
      {data.myVersions.length > 0 && looking && (
        <Notice tone="mine" className="mx-5 mb-3">
          You have a version of your own.{" "}
          <button
            type="button"
            className="font-semibold underline"
            onClick={() => router.push(`/adapt/${data.myVersions[0]}`)}
          >
            Open my version
          </button>
        </Notice>
      )}
      <div className="min-h-0 flex-1">
        {assigning ? (
          <AssignPanel
            key={`${resource.id} ${parameters.get("at") ?? ""} ${parameters.get("like") ?? ""}`}
            place={placeFrom(parameters.get("at"))}
            like={Number(parameters.get("like")) || null}
            resources={[{ id: resource.id, title: facts.title }]}
            current={assign.current}
            now={assign.now}
            onDone={() => go({ do: null, at: null, like: null, ...forTheseAs(null) })}
          />
        ) : sharing ? (
          <SharePanel
            key={resource.id}
            resources={[{ id: resource.id, title: facts.title }]}
            onDone={() => go({ do: null })}
          />
        ) : view === "facts" ? (
          <FactsView data={data} zone={assign.zone} now={assign.now} />
        ) : view === "colleagues" ? (
          <NotesView key={resource.id} data={data} assign={assign} />
        ) : view === "editions" ? (
          <EditionsView data={data} onOpen={(id) => go({ open: id })} />
        ) : (
          <StepTable
            key={resource.id}
            document={data.document}
            foot={!data.mine && <ReportDialog key={resource.id} data={data} />}
          />
        )}
      </div>
      <AdaptDialog {...{ data, busy, toward }} open={asking} onOpenChange={setAsking} onCopy={adaptNow} />
    </article>
  );
}
