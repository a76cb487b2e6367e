"use client";
import { readFirst } from "@/core/content/language";
import { ArrowLeft } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { compareFacts } from "@/core/find/compare";
import { stepTitle } from "@/core/resource/changes";
import type { LightTableData } from "@/server/find/light-table";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { useKeys } from "@/ui/keys";
import { Grip } from "../shell/grip";
import { LanguageSwitch } from "../step/language-switch";
import { StepView } from "../step/step-view";

/** Two to four candidates: what they have in common and where they differ, then their steps side by side. */
export function ComparePage({ candidates, missing }: { candidates: LightTableData[]; missing: number }) {
  const router = useRouter();
  const languages = [...new Set(candidates.flatMap(({ document }) => document.languages))];
  const [read, setRead] = useState(languages[0] ?? "en");
  const [at, setAt] = useState(0);
  const most = Math.max(0, ...candidates.map((one) => one.document.steps.length));
  const move = (by: number) => setAt((old) => Math.max(0, Math.min(most - 1, old + by)));
  useKeys({ ArrowRight: () => move(1), ArrowLeft: () => move(-1) });
  const back = (
    <Button size="small" onClick={() => router.back()}>
      <ArrowLeft size={14} aria-hidden /> Back to the list
    </Button>
  );
  if (candidates.length < 2) {
    return (
      <Empty title="Nothing to compare yet">
        <p>Choose two to four lines in Find with the key c.</p>
        {back}
      </Empty>
    );
  }
  const rows = compareFacts(
    candidates.map((one) => ({ facts: one.facts, author: one.resource.ownerName, usedHere: one.usedHere })),
  );
  const columns = { gridTemplateColumns: `7.5rem repeat(${candidates.length}, minmax(0, 1fr))` };
  return (
    <div className="h-full overflow-auto px-5 pt-3 pb-6">
      <div className="flex items-center gap-4">
        {back}
        <h1 className="font-serif text-[21px]">Side by side</h1>
        {missing > 0 && (
          <p className="text-[13px] text-clay">{missing} of them is not here, or you do not have access to it.</p>
        )}
        <p className="ml-auto text-[13px] text-ink-soft">Rows with ≠ differ.</p>
      </div>
      <div role="table" aria-label="Facts side by side" className="mt-2 text-[13px]">
        <div role="row" className="grid items-end gap-x-4 border-b border-line pb-1.5" style={columns}>
          <span role="columnheader" className="text-ink-soft">
            Fact
          </span>
          {candidates.map((one) => (
            <span key={one.resource.id} role="columnheader" className="font-serif text-[16px] leading-tight">
              <span className="mr-1 inline-block align-middle">
                <Grip id={one.resource.id} title={one.facts.title} />
              </span>
              <a href={`/find?open=${one.resource.id}`} className="hover:underline">
                {one.facts.title}
              </a>
            </span>
          ))}
        </div>
        {candidates.some((one) => one.fit) && (
          <div role="row" className="grid gap-x-4 border-b border-line py-1" style={columns}>
            <span role="rowheader" className="text-ink-soft">
              Your class
            </span>
            {candidates.map((one) => (
              <span key={one.resource.id} role="cell">
                <strong>{one.fit?.verdict}</strong>
                {one.fit?.reasons
                  .filter((reason) => reason.level < 2)
                  .map((reason) => (
                    <span key={reason.aspect} className={reason.level === 0 ? "block text-clay" : "block"}>
                      {reason.text}
                    </span>
                  ))}
              </span>
            ))}
          </div>
        )}
        {rows.map((row) => (
          <div
            role="row"
            key={row.what}
            className={
              row.differs
                ? "grid gap-x-4 border-b border-line py-1"
                : "grid gap-x-4 border-b border-line py-1 text-ink-soft"
            }
            style={columns}
          >
            <span role="rowheader" className="text-ink-soft">
              {row.what} {row.differs && <strong className="text-ink">≠</strong>}
            </span>
            {row.values.map((value, nth) => (
              <span key={nth} role="cell" className={row.differs ? "font-semibold" : undefined}>
                {value}
              </span>
            ))}
          </div>
        ))}
      </div>
      <div className="mt-5 flex items-center gap-3">
        <h2 className="font-serif text-[17px]">
          Step {at + 1} of {most}
        </h2>
        <LanguageSwitch languages={languages} reads={read} onReads={setRead} />
        <Button size="small" onClick={() => move(-1)} disabled={at === 0}>
          Before
        </Button>
        <Button size="small" onClick={() => move(1)} disabled={at >= most - 1}>
          Next
        </Button>
      </div>
      <div
        className="mt-2 grid items-start gap-4"
        style={{ gridTemplateColumns: `repeat(${candidates.length}, minmax(0, 1fr))` }}
      >
        {candidates.map((one) => {
          const step = one.document.steps[at];
          return (
            <section
              key={one.resource.id}
              aria-label={one.facts.title}
              className="min-w-0 rounded-card border border-line bg-card p-4 text-[15px]"
            >
              {step ? (
                <StepView
                  step={step}
                  languages={readFirst(one.document.languages, read)}
                  values={{}}
                  marks={{}}
                  onChange={() => undefined}
                  readOnly
                  mayCheck={() => false}
                />
              ) : (
                <p className="text-[13px] text-ink-soft">
                  No step {at + 1}: it ended with “{stepTitle(one.document.steps.at(-1)!, one.document.languages)}”.
                </p>
              )}
            </section>
          );
        })}
      </div>
    </div>
  );
}
