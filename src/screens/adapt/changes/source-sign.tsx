"use client";
import { GitBranch } from "lucide-react";
import { formatChanges, type Changes } from "@/core/resource/changes";
import type { AdaptData } from "@/server/adapt/adapt";
import { Tip } from "@/ui/tip";

/** Whose it is, and how far it has gone from its source: leads to what changed. */
export function SourceSign({
  data,
  changes,
  open,
  onOpen,
}: {
  data: AdaptData;
  changes: Changes | null;
  open: boolean;
  onOpen: () => void;
}) {
  const { source, file } = data;
  if (!source && !file && data.revisions.length === 0)
    return <span className="text-[13px] text-ink-soft">made by me</span>;
  return (
    <Tip text={changes ? formatChanges(changes) : "What changed since an earlier revision"}>
      <button
        type="button"
        aria-expanded={open}
        onClick={onOpen}
        className="inline-flex h-7 items-center gap-2 rounded-card border border-brass bg-brass-wash px-2.5 text-[13px] whitespace-nowrap"
      >
        <GitBranch size={14} aria-hidden />
        {source && changes
          ? `from ${source.author}, revision ${source.number} · ${changes.count} ${changes.count === 1 ? "change" : "changes"}`
          : data.revisions[0]
            ? `made by me, revision ${data.revisions[0].number}`
            : "made by me"}
        {source?.newer && <strong className="text-green">revision {source.newer.number} is out</strong>}
        {file && <strong className="text-green">the file has changed</strong>}
      </button>
    </Tip>
  );
}
