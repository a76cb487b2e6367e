"use client";
import { Unplug } from "lucide-react";
import { disconnectSystem } from "@/screens/acts/lti";
import { Button } from "@/ui/button";
import { useKeep } from "./use-keep";

/** The school's course site: what is connected, and how to connect one. */
export function CourseSiteCard({
  systems,
  address,
}: {
  systems: readonly { id: number; name: string; issuer: string }[];
  /** Where a course site registers us. */
  address: string;
}) {
  const { notice, busy, keep } = useKeep();
  return (
    <section aria-labelledby="course-site" className="rounded-card border border-line bg-card p-5">
      <h2 id="course-site" className="font-semibold">
        Course site
      </h2>
      <p className="mt-1 text-[13px] text-ink-soft">
        To connect the school’s course site, add a tool there (LTI 1.3, dynamic registration) with this address:
      </p>
      <p className="mt-1 [overflow-wrap:anywhere] select-all">{address}</p>
      {systems.length === 0 ? (
        <p className="mt-2 text-ink-soft">No course site is connected.</p>
      ) : (
        <ul className="mt-2 grid gap-2" aria-label="Connected course sites">
          {systems.map(({ id, name, issuer }) => (
            <li key={id} className="flex flex-wrap items-center gap-3">
              <span className="min-w-0 flex-1">
                {name} <span className="text-[13px] text-ink-soft [overflow-wrap:anywhere]">{issuer}</span>
              </span>
              <Button
                size="small"
                disabled={busy}
                onClick={() =>
                  keep(
                    () => disconnectSystem({ system: id }),
                    () => `${name} is not connected any more.`,
                  )
                }
              >
                <Unplug size={14} aria-hidden /> Disconnect
              </Button>
            </li>
          ))}
        </ul>
      )}
      {notice}
    </section>
  );
}
