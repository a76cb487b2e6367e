"use client";
import { clsx } from "clsx";
import { ExternalLink, Wrench } from "lucide-react";
import { Link } from "@/ui/link";
import { useState } from "react";
import type { Finding } from "@/core/assign/finding";
import type { AssignForm } from "@/core/assign/form";
import { Button, buttonClasses } from "@/ui/button";
import { Notice } from "@/ui/notice";
import type { Looked } from "./use-assign";

interface Mending {
  onChange: (change: Partial<AssignForm>) => void;
  /** A copy without the voices of others, assigned in place of the resource. */
  onCopy: (resource: number) => void;
}

function FindingLine({ finding, onChange, onCopy }: { finding: Finding } & Mending) {
  return (
    <li>
      <Notice tone={finding.level === "stop" ? "warning" : "information"} className="text-[14px]">
        <span className="flex flex-wrap items-center gap-x-3 gap-y-1">
          <span className="min-w-48 flex-1">
            {finding.level === "stop" && <strong className="text-clay">Must fix: </strong>}
            {finding.text}
          </span>
          {finding.remedies.map((remedy) =>
            "href" in remedy ? (
              // In a window of its own: what is in the form stays.
              <Link key={remedy.text} href={remedy.href} target="_blank" className={buttonClasses("plain", "small")}>
                {remedy.text} <ExternalLink size={13} aria-label="in a new window" />
              </Link>
            ) : "copyWithoutVoices" in remedy ? (
              <Button key={remedy.text} size="small" onClick={() => onCopy(remedy.copyWithoutVoices)}>
                <Wrench size={13} aria-hidden /> {remedy.text}
              </Button>
            ) : (
              <Button key={remedy.text} size="small" onClick={() => onChange(remedy.change)}>
                <Wrench size={13} aria-hidden /> {remedy.text}
              </Button>
            ),
          )}
        </span>
      </Notice>
    </li>
  );
}

const MOST_FINDINGS = 4;

/** What must be mended before it goes out and what is worth a look, each with a way to mend it. */
export function LastLook({
  looked,
  fresh,
  ...mending
}: {
  looked: Looked;
  fresh: boolean;
} & Mending) {
  const [all, setAll] = useState(false);
  const { findings } = looked;
  const shown = all ? findings : findings.slice(0, MOST_FINDINGS);
  return (
    <section
      aria-label="Last look"
      aria-busy={!fresh}
      className={clsx("max-h-40 overflow-auto", !fresh && "opacity-60")}
    >
      {findings.length > 0 && (
        <ul className="grid gap-2.5">
          {shown.map((finding) => (
            <FindingLine key={finding.key} finding={finding} {...mending} />
          ))}
        </ul>
      )}
      {findings.length > shown.length && (
        <Button size="small" look="quiet" className="justify-self-start" onClick={() => setAll(true)}>
          {findings.length - shown.length} more worth a look
        </Button>
      )}
      {looked.problem && <Notice tone="warning">{looked.problem}</Notice>}
    </section>
  );
}
