"use client";
import { Download, ExternalLink, Printer, HelpCircle, ScrollText, UserPlus, UserCheck } from "lucide-react";
import { Link } from "@/ui/link";
import { usePathname, useRouter, useSearchParams } from "next/navigation";
import { useState } from "react";
import { follow, stopFollowing } from "@/screens/acts/keep";
import type { LightTableData } from "@/server/find/light-table";
import { buttonClasses } from "@/ui/button";
import { Segmented } from "@/ui/segmented";
import { tell, tellProblem } from "@/ui/toast";
import { Grip } from "../shell/grip";

export type View = "steps" | "facts" | "colleagues" | "editions";

/** The views there are of a resource; the editions only where there are several. */
export function viewsOf({ notes, editions }: LightTableData): { value: View; text: string }[] {
  return [
    { value: "steps", text: "Steps" },
    { value: "facts", text: "Facts" },
    { value: "colleagues", text: notes.length > 0 ? `Colleagues (${notes.length})` : "Colleagues" },
    ...(editions.length > 1 ? [{ value: "editions" as const, text: `${editions.length} editions` }] : []),
  ];
}

/** What of a resource is looked at, and the small things beside: why it is here, the board, following its author. */
export function Views({
  data,
  view,
  onView,
  onRunSheet,
}: {
  data: LightTableData;
  view: View;
  onView: (view: View) => void;
  onRunSheet: () => void;
}) {
  const router = useRouter();
  const parameters = useSearchParams();
  const amongResults = usePathname() === "/find";
  const [reasons, setReasons] = useState<string[] | null>(null);
  const { resource } = data;
  const explain = async () => {
    if (reasons) return setReasons(null);
    const address = `/find/why?${new URLSearchParams([...parameters, ["resource", String(resource.id)]])}`;
    const answer = await fetch(address)
      .then((response) => response.json() as Promise<{ reasons: string[] } | { problem: string }>)
      .catch(() => ({ problem: "You are offline, so the reasons could not be loaded. Try again." }));
    if ("reasons" in answer) setReasons(answer.reasons);
    else tellProblem(answer.problem);
  };
  const toggleFollow = async (on: boolean) => {
    const outcome = await (on ? follow : stopFollowing)({ author: resource.owner });
    if (!outcome.ok) return tellProblem(outcome.problem);
    router.refresh();
    tell(
      on
        ? `Following ${resource.ownerName}. Find’s first page says what is new.`
        : `No longer following ${resource.ownerName}.`,
      () => void toggleFollow(!on),
    );
  };
  const small = buttonClasses("quiet", "small");
  return (
    <div className="mt-2.5 flex flex-wrap items-center gap-x-1 gap-y-1">
      <Segmented
        label="What to look at"
        value={view}
        options={viewsOf(data)}
        onChange={onView}
        className="text-[13px]"
      />
      <span className="ml-auto" />
      {amongResults && (
        <button type="button" className={small} onClick={() => void explain()} aria-expanded={reasons !== null}>
          <HelpCircle size={14} aria-hidden /> Why here?
        </button>
      )}
      {!data.mine && (
        <button
          type="button"
          className={small}
          onClick={() => void toggleFollow(!data.following)}
          aria-pressed={data.following}
        >
          {data.following ? <UserCheck size={14} aria-hidden /> : <UserPlus size={14} aria-hidden />}
          {data.following ? "Following" : "Follow"}
        </button>
      )}
      {data.published && <Grip id={resource.id} title={data.facts.title} />}
      <button type="button" className={small} title="My script for teaching it to the class (r)" onClick={onRunSheet}>
        <ScrollText size={14} aria-hidden /> Run sheet
      </button>
      <a
        href={`/board/${resource.id}`}
        target="_blank"
        rel="noreferrer"
        className={small}
        aria-label="Board"
        title="On the board, in a window of its own"
      >
        <ExternalLink size={14} aria-hidden />
      </a>
      <a
        href={`/print/${resource.id}`}
        target="_blank"
        rel="noreferrer"
        className={small}
        aria-label="Print"
        title="Print: for students, the answer key, for a family"
      >
        <Printer size={14} aria-hidden />
      </a>
      {data.published && !data.lookOnly && (
        <Link
          href={`/save/resource/${resource.id}`}
          className={small}
          aria-label="Save as a file"
          title="Save as a file: PDF, document, slides, course packages …"
        >
          <Download size={14} aria-hidden />
        </Link>
      )}
      {reasons && (
        <ul className="w-full list-disc pl-5 text-[13px] text-ink-soft" aria-label="Why it is here" role="status">
          {reasons.map((reason) => (
            <li key={reason}>{reason}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
