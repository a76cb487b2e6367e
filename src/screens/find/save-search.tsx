"use client";
import { BookmarkCheck, BookmarkPlus } from "lucide-react";
import { useRouter } from "next/navigation";
import { isAnything, needToParameters, type Need } from "@/core/find/need";
import { deleteSearch, saveSearch } from "@/screens/acts/keep";
import { orTell } from "@/screens/acts/tried";
import { tell, tellProblem } from "@/ui/toast";

/** Keeps the need as it stands, under what it says. */
export function SaveSearch({ need, says, saved }: { need: Need; says: string; saved: boolean }) {
  const router = useRouter();
  if (isAnything(need)) return null;
  if (saved) {
    return (
      <span className="flex items-center gap-1.5 text-[13px] text-slate">
        <BookmarkCheck size={15} aria-hidden /> Saved
      </span>
    );
  }
  const keep = async () => {
    const outcome = await saveSearch({ name: says.slice(0, 120), address: needToParameters(need).toString() });
    if (!outcome.ok) return tellProblem(outcome.problem);
    router.refresh();
    tell("Saved. Find’s first page tells you when there is something new.", async () => {
      await orTell(deleteSearch({ id: outcome.value.id }));
      router.refresh();
    });
  };
  return (
    <button
      type="button"
      onClick={() => void keep()}
      className="flex items-center gap-1.5 text-[13px] text-green hover:underline"
    >
      <BookmarkPlus size={15} aria-hidden /> Save this search
    </button>
  );
}
