"use client";
import { useRouter } from "next/navigation";
import { undoPlan } from "@/screens/acts/plan";
import { tell, tellProblem } from "@/ui/toast";

/** Says what an act did, offers to undo its event, and reads the page anew. `more`: a way on from there. */
export function useDone() {
  const router = useRouter();
  return (said: string, event: number | null | undefined, more?: { label: string; onClick: () => void }) => {
    router.refresh();
    const undo = async () => {
      const back = await undoPlan({ event: event! });
      if (back.ok) tell(back.value.said);
      else tellProblem(back.problem);
      router.refresh();
    };
    tell(said, event == null ? undefined : undo, more);
  };
}
