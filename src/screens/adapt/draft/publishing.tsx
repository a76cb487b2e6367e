"use client";
import { ChevronDown } from "lucide-react";
import { useRouter } from "next/navigation";
import { formatDay } from "@/core/calendar/format-moment";
import { offerDraft, publishDraft, withdrawDraft } from "@/screens/acts/adapt";
import { orTell } from "@/screens/acts/tried";
import type { AdaptData } from "@/server/adapt/adapt";
import { Button } from "@/ui/button";
import { Menu, MenuItem } from "@/ui/menu";
import { tell, tellProblem } from "@/ui/toast";
import { useOnce } from "../../use-once";
import type { useDraft } from "./use-draft";

/**
 * Publishes a draft. Of something that stands on a curated shelf, what has changed can wait there for the curators instead.
 */
export function Publishing({
  data,
  draft,
  ready,
}: {
  data: AdaptData;
  draft: ReturnType<typeof useDraft>;
  /** Nothing is missing, and there is something new. */
  ready: boolean;
}) {
  const router = useRouter();
  const [busy, start] = useOnce();
  const publish = () =>
    start(async () => {
      if (!(await draft.flush())) return;
      const outcome = await publishDraft({ resource: data.resource, seen: draft.seen() });
      if (!outcome.ok) return tellProblem(outcome.problem);
      draft.published(outcome.value.counter);
      tell(`Published as revision ${outcome.value.number}. What is assigned already stays as it was.`, undefined, {
        label: "Share",
        onClick: () => router.push(`/satchel?open=${data.resource}&do=share`),
      });
      router.push(`/satchel?open=${data.resource}`);
    });
  const offer = () =>
    start(async () => {
      if (!(await draft.flush())) return;
      const outcome = await offerDraft({ resource: data.resource, seen: draft.seen() });
      if (!outcome.ok) return tellProblem(outcome.problem);
      router.refresh();
      tell(
        `Offered to the curators of ${outcome.value.shelf}. The current revision stays there until they decide.`,
        async () => {
          await orTell(withdrawDraft({ resource: data.resource }));
          router.refresh();
        },
      );
    });
  return (
    <div className="flex gap-1">
      <Button look="main" onClick={publish} disabled={busy || !ready}>
        {busy ? "One moment …" : "Publish"}
      </Button>
      {data.curated && (
        <Menu
          trigger={
            <Button aria-label="Publish now, or after the curators" disabled={busy || !ready}>
              <ChevronDown size={15} aria-hidden />
            </Button>
          }
        >
          <MenuItem onSelect={publish}>Publish now: everybody gets the new revision</MenuItem>
          <MenuItem onSelect={offer}>Let the curators of {data.curated} decide first</MenuItem>
        </Menu>
      )}
    </div>
  );
}

/** Her changes wait for the curators. */
export function OfferedNotice({ data, zone, now }: { data: AdaptData; zone: string; now: Date }) {
  const router = useRouter();
  const [busy, start] = useOnce();
  if (!data.offered) return null;
  const takeBack = () =>
    start(async () => {
      if (!(await orTell(withdrawDraft({ resource: data.resource })))) return;
      tell("Taken back. Your draft is as it was.");
      router.refresh();
    });
  return (
    <p className="flex min-h-8 shrink-0 flex-wrap items-center gap-2 border-b border-line bg-slate-wash px-5 text-[13px]">
      The curators have had your changes since {formatDay(data.offered, zone, now)}. Until they decide, everyone else
      sees the earlier revision.
      <Button size="small" look="quiet" disabled={busy} onClick={takeBack}>
        Take it back
      </Button>
    </p>
  );
}
