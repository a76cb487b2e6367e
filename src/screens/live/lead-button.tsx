"use client";
import { Presentation } from "lucide-react";
import { useRouter } from "next/navigation";
import { leadResource } from "@/screens/acts/lead";
import { buttonClasses } from "@/ui/button";
import { useKeys } from "@/ui/keys";
import { Tip } from "@/ui/tip";
import { useOnce } from "../use-once";

/** From the light table straight into the lobby: the class has it, and a code to come in. */
export function LeadButton({
  resource,
  current,
  classes,
}: {
  resource: number;
  current: number;
  classes: readonly { id: number; name: string }[];
}) {
  const router = useRouter();
  const [busy, once] = useOnce();
  const name = classes.find(({ id }) => id === current)?.name ?? "the class";
  const lead = () =>
    once(async () => {
      const outcome = await leadResource({ resource, class: current });
      if (outcome.ok) router.push(`/lead/${outcome.value.assignment}`);
    });
  useKeys({ l: lead });
  return (
    <Tip text={`Lead a lesson with it for ${name}, now (l)`}>
      <button type="button" aria-label="Lead" onClick={lead} disabled={busy} className={`${buttonClasses()} w-9 !px-0`}>
        <Presentation size={16} aria-hidden />
      </button>
    </Tip>
  );
}
