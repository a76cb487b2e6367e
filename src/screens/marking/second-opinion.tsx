"use client";
import { Check } from "lucide-react";
import { agreements, FEWEST_COMPARED, saysKappa, type Agreement } from "@/core/marking/agreement";
import { isMark, type SeenMarks } from "@/core/marking/given-mark";
import { formatLevels, type Rubric } from "@/core/marking/rubric";
import { Button } from "@/ui/button";
import { Fold } from "@/ui/fold";

const firstName = (name: string) => name.split(" ")[0]!;

function says({ both, same, kappa }: Agreement): string {
  const alike = `${same} of ${both} the same`;
  if (both < FEWEST_COMPARED) return `${alike}; too few to say more`;
  return kappa === null ? alike : `${alike} · kappa ${kappa.toFixed(2)}, ${saysKappa(kappa)}`;
}

/** What another marker gave for this answer, once she has marked it herself, and whose mark counts. */
export function OtherMarks({
  seen,
  me,
  rubric,
  onSettle,
}: {
  seen: SeenMarks | undefined;
  me: number;
  rubric: { id: number; content: Rubric } | null;
  onSettle: (marker: number) => void;
}) {
  if (!seen) return null;
  const marks = seen.all.filter(isMark);
  if (seen.hidden.length > 0)
    return (
      <p className="text-[13px] text-ink-soft">
        {seen.hidden.map(firstName).join(" and ")} marked this too. You will see the mark once you have given yours.
      </p>
    );
  if (marks.length < 2) return null;
  return (
    <ul aria-label="Who marked it" className="grid gap-1.5">
      {marks.map((mark) => (
        <li key={mark.by.id} className="flex items-start justify-between gap-2 text-[13px]">
          <span className="min-w-0">
            <strong>{mark.by.id === me ? "You" : firstName(mark.by.name)}</strong>{" "}
            <span className="numbers">
              {mark.marks} of {mark.outOf}
            </span>
            {rubric && mark.rubric === rubric.id && mark.levels && (
              <span className="block text-ink-soft">{formatLevels(rubric.content, mark.levels)}</span>
            )}
            {mark.by.id !== me && mark.comment && <span className="block text-ink-soft">“{mark.comment}”</span>}
          </span>
          {seen.counts?.by.id === mark.by.id ? (
            <span className="inline-flex items-center gap-1 font-semibold whitespace-nowrap text-green">
              <Check size={14} aria-hidden /> counts
            </span>
          ) : (
            <Button size="small" onClick={() => onSettle(mark.by.id)}>
              Use this mark
            </Button>
          )}
        </li>
      ))}
    </ul>
  );
}

/** How far two markers agree in this question. */
export function AgreementNote({
  standing,
  rubric,
}: {
  standing: readonly SeenMarks[];
  rubric: { id: number; content: Rubric } | null;
}) {
  const pairs = agreements(standing, rubric);
  if (pairs.length === 0) return null;
  return (
    <section aria-label="Two markers" className="border-t border-line px-3 py-2 text-[13px]">
      {pairs.map(({ markers: [one, other], whole, criteria }) => (
        <div key={`${one.id} ${other.id}`}>
          <p>
            <strong>
              {firstName(one.name)} and {firstName(other.name)}
            </strong>
            : {says(whole)}.
          </p>
          {criteria.length > 1 && (
            <Fold title="By criterion">
              <ul>
                {criteria.map((one) => (
                  <li key={one.criterion}>
                    {one.criterion}: {says(one)}
                  </li>
                ))}
              </ul>
            </Fold>
          )}
        </div>
      ))}
      <p className="text-ink-soft">
        Kappa: 1 means you agree in everything, 0 means no more than by chance. Being one level apart counts less than
        two.
      </p>
    </section>
  );
}
