"use client";
import { useRouter } from "next/navigation";
import type { Withdrawn } from "@/data/satchel/satchel";
import { unpackResources } from "@/screens/acts/satchel";
import { Notice } from "@/ui/notice";
import { tell, tellProblem } from "@/ui/toast";

/** Originals she packed that their authors took back: said once, and taken out when she has read it. */
export function WithdrawnNotice({ withdrawn }: { withdrawn: readonly Withdrawn[] }) {
  const router = useRouter();
  const takeOut = async () => {
    const outcome = await unpackResources({ ids: withdrawn.map(({ resource }) => resource) });
    if (!outcome.ok) return tellProblem(outcome.problem);
    tell("Taken out. Versions of your own, and what is assigned already, stay.");
    router.refresh();
  };
  return (
    <Notice className="mx-4 mb-2">
      No longer available: {withdrawn.map(({ title, author }) => `“${title}” (${author} withdrew it)`).join(", ")}. What
      you made of it stays yours.{" "}
      <button type="button" className="font-semibold underline" onClick={() => void takeOut()}>
        Take {withdrawn.length === 1 ? "it" : "them"} out
      </button>
    </Notice>
  );
}
