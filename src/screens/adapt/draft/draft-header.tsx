"use client";
import { FileEdit, Redo2, Undo2 } from "lucide-react";
import { Link } from "@/ui/link";
import type { ReactNode } from "react";
import { titleOf } from "@/core/resource/document";
import { takeField, takeStep } from "@/core/resource/merge";
import { missingFiles } from "@/core/resource/stored-files";
import { unfinished } from "@/core/resource/unfinished";
import type { AdaptData } from "@/server/adapt/adapt";
import { buttonClasses } from "@/ui/button";
import { IconButton } from "@/ui/icon-button";
import { MetNotice } from "../changes/met-notice";
import { Publishing } from "./publishing";
import { SaveSign } from "./save-state";
import type { useDraft } from "./use-draft";
import { useUndoKeys } from "./use-undo-keys";

/**
 * Above a page that works on a draft beside the editor: what it is, whether it is saved, undo and redo, publishing, and what another
 * window has saved meanwhile. `line`: beside the title; `children`: before Publish.
 */
export function DraftHeader({
  data,
  draft,
  line,
  zone,
  children,
}: {
  data: AdaptData;
  draft: ReturnType<typeof useDraft>;
  line?: string;
  zone: string;
  children?: ReactNode;
}) {
  const { document, change, undo, redo, state } = draft;
  useUndoKeys(undo, redo);
  const ready =
    unfinished(document, data.me.id).length === 0 &&
    missingFiles(document, data.gone).length === 0 &&
    (data.hasDraft || state.kind !== "saved" || Boolean(state.at));
  return (
    <>
      <header className="flex flex-wrap items-center gap-3 border-b border-line px-5 py-2">
        <h1 className="min-w-0 truncate font-serif text-[20px]">{titleOf(document)}</h1>
        {line && <p className="text-[13px] text-ink-soft">{line}</p>}
        <span className="not-printed ml-auto flex items-center gap-2">
          <SaveSign state={state} savedBefore={data.saved} zone={zone} />
          <IconButton name="Undo" disabled={!undo} onClick={() => undo?.()}>
            <Undo2 size={17} aria-hidden />
          </IconButton>
          <IconButton name="Redo" disabled={!redo} onClick={() => redo?.()}>
            <Redo2 size={17} aria-hidden />
          </IconButton>
          <Link href={`/adapt/${data.resource}`} className={buttonClasses()}>
            <FileEdit size={16} aria-hidden /> Edit the resource
          </Link>
          {children}
          <Publishing {...{ data, draft, ready }} />
        </span>
      </header>
      {draft.met && (
        <MetNotice
          met={draft.met}
          document={document}
          onTake={(id) => change((now) => takeStep(now, draft.met!.theirs, id))}
          onTakeField={(field) => change((now) => takeField(now, draft.met!.theirs, field))}
          onClose={draft.seenMet}
        />
      )}
    </>
  );
}
