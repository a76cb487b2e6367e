"use client";
import { Backpack, Heart, Send } from "lucide-react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { formatDay } from "@/core/calendar/format-moment";
import { formatGradeSpan } from "@/core/content/grade";
import type { Given } from "@/data/share/shares";
import { adaptResource } from "@/screens/acts/adapt";
import { formatThanks } from "@/screens/acts/give";
import { packResource, unpackResources } from "@/screens/acts/satchel";
import { orTell } from "@/screens/acts/tried";
import { Button, buttonClasses } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { tell, tellProblem } from "@/ui/toast";
import { useOnce } from "../use-once";

/** What colleagues gave her, the newest first: to look at, pack, adapt without anybody's voice, assign, and say thank you for. */
export function GivenScreen({ given, zone, now }: { given: Given[]; zone: string; now: Date }) {
  const router = useRouter();
  const [busy, start] = useOnce();
  const pack = ({ resource, facts }: Given) =>
    start(async () => {
      const outcome = await packResource({ resource });
      if (!outcome.ok) return tellProblem(outcome.problem);
      router.refresh();
      tell(`Packed “${facts.title}”.`, async () => {
        await orTell(unpackResources({ ids: [resource] }));
        router.refresh();
      });
    });
  const adapt = ({ resource }: Given) =>
    start(async () => {
      const outcome = await adaptResource({ resource, voices: "none" });
      if (outcome.ok) router.push(`/adapt/${outcome.value.resource}`);
      else tellProblem(outcome.problem);
    });
  const thank = ({ id, by }: Given) =>
    start(async () => {
      const outcome = await formatThanks({ share: id });
      if (!outcome.ok) return tellProblem(outcome.problem);
      router.refresh();
      tell(`${by} will hear that you said thank you.`);
    });
  return (
    <div className="mx-auto h-full max-w-4xl overflow-auto px-6 py-5">
      <h1 className="font-serif text-[22px]">Given to me</h1>
      {given.length === 0 ? (
        <Empty title="Nothing yet">Things colleagues share with you by name appear here.</Empty>
      ) : (
        <ul aria-label="Given to me" className="mt-3 grid gap-3">
          {given.map((one) => (
            <li key={one.id} aria-label={one.facts.title} className="rounded-card border border-line bg-card p-4">
              <Link href={`/find?open=${one.resource}`} className="font-serif text-[18px] hover:underline">
                {one.facts.title}
              </Link>
              <p className="text-[13px] text-ink-soft">
                {one.by} · {formatDay(one.at, zone, now)} · {one.facts.minutes} min · grades{" "}
                {formatGradeSpan(one.facts.grades)}
              </p>
              {one.note && <p className="mt-1">“{one.note}”</p>}
              <div className="mt-2 flex flex-wrap gap-2">
                <Button size="small" disabled={busy || one.packed} onClick={() => pack(one)}>
                  <Backpack size={14} aria-hidden /> {one.packed ? "In my satchel" : "Pack"}
                </Button>
                {one.way === "copy" ? (
                  <>
                    <Button size="small" disabled={busy} onClick={() => adapt(one)}>
                      Make my copy without voices
                    </Button>
                    <Link href={`/find?open=${one.resource}&do=assign`} className={buttonClasses("plain", "small")}>
                      <Send size={14} aria-hidden /> Assign …
                    </Link>
                  </>
                ) : (
                  <span className="self-center text-[13px] text-ink-soft">to look at only</span>
                )}
                <Button size="small" look="quiet" disabled={busy || one.thanked !== null} onClick={() => thank(one)}>
                  <Heart size={14} aria-hidden /> {one.thanked ? "Thanked" : "Say thank you"}
                </Button>
              </div>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
