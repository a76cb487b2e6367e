"use client";
import { useRouter } from "next/navigation";
import { undoPlan } from "@/screens/acts/plan";
import { tell, tellProblem } from "@/ui/toast";

interface After {
  /** A way on from there. */
  more?: { label: string; onClick: () => void } | undefined;
  onUndone?: () => void;
}

/** Says what an act did, offers to undo its event, and reads the page anew. */
export function useDone() {
  const router = useRouter();
  return (said: string, event: number | null | undefined, { more, onUndone }: After = {}) => {
    router.refresh();
    const undo = async () => {
      const back = await undoPlan({ event: event! });
      if (back.ok) {
        tell(back.value.said);
        onUndone?.();
      } else tellProblem(back.problem);
      router.refresh();
    };
    tell(said, event == null ? undefined : undo, more);
  };
}
