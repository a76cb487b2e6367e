import { Download } from "lucide-react";
import { Link } from "@/ui/link";
import type { ComponentProps } from "react";
import { buttonClasses } from "@/ui/button";
import type { Consent } from "@/data/keep/consent";
import type { StoredOfChild } from "@/data/keep/delete-child";
import { Empty } from "@/ui/empty";
import { ChildPlaceCard } from "./child-place-card";
import { ConsentCard } from "./consent-card";
import { DeleteChildCard } from "./delete-child-card";

/** What the school can give a family that asks: everything that is stored, and who looked at it. */
export function ChildScreen({
  student,
  name,
  consent,
  stored,
  looks,
  place,
}: {
  student: number;
  name: string;
  /** Null where the school does not ask families. */
  consent: Consent | null;
  stored: StoredOfChild;
  looks: readonly { name: string; what: string; at: string }[];
  place: Pick<ComponentProps<typeof ChildPlaceCard>, "isIn" | "classes" | "schools">;
}) {
  return (
    <div className="mx-auto grid max-w-3xl gap-5 px-6 py-5">
      <p>
        <Link href="/office" className="font-semibold text-green underline">
          Back to the office
        </Link>
      </p>
      <h1 className="font-serif text-[22px] [overflow-wrap:anywhere]">Records of {name}</h1>
      <ChildPlaceCard student={student} name={name} {...place} />
      <section aria-labelledby="everything" className="rounded-card border border-line bg-card p-5">
        <h2 id="everything" className="font-semibold">
          Everything, as a file
        </h2>
        <p className="mt-1 text-ink-soft">
          A zip with all that is stored: classes, work, answers, marks, notes, pictures and recordings, and who looked.
          No passwords. Give it only to somebody who may have it.
        </p>
        <a href={`/office/child/${student}/file`} download className={`${buttonClasses()} mt-3`}>
          <Download size={16} aria-hidden /> Download it
        </a>
      </section>
      {consent && <ConsentCard student={student} said={consent} />}
      <section aria-labelledby="looks" className="rounded-card border border-line bg-card p-5">
        <h2 id="looks" className="font-semibold">
          Who looked
        </h2>
        {looks.length === 0 ? (
          <Empty title="Nobody yet">Opening the child’s answers, progress, portfolio or this file is noted here.</Empty>
        ) : (
          <ul className="mt-2 divide-y divide-line">
            {looks.map(({ name: who, what, at }, nth) => (
              <li key={nth} className="flex flex-wrap gap-x-4 py-1.5">
                <span className="min-w-40 font-semibold">{who}</span>
                <span className="flex-1">{what}</span>
                <span className="text-ink-soft">{at}</span>
              </li>
            ))}
          </ul>
        )}
      </section>
      <DeleteChildCard student={student} name={name} stored={stored} />
    </div>
  );
}
