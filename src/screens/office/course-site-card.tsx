"use client";
import { disconnectSystem } from "@/screens/acts/lti";
import { ConnectedList } from "./connected-list";
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
        <ConnectedList
          label="Connected course sites"
          connected={systems}
          busy={busy}
          onDisconnect={({ id, name }) =>
            keep(
              () => disconnectSystem({ system: id }),
              () => `${name} is not connected any more.`,
            )
          }
        />
      )}
      {notice}
    </section>
  );
}
