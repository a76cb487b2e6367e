"use client";
import { Heart } from "lucide-react";
import { putIntoPortfolio, takeOutOfPortfolio } from "@/screens/acts/portfolio";
import { Button } from "@/ui/button";
import { IconButton } from "@/ui/icon-button";
import { tell, tellProblem } from "@/ui/toast";
import { useOnce } from "../use-once";

/** Puts a piece of work, or one answer, into the child's portfolio; small beside an answer, with words elsewhere. */
export function PutInPortfolio({
  group,
  student,
  name,
  assignment,
  question,
  small = false,
}: {
  group: number;
  student: number;
  name: string;
  assignment: number;
  /** Null: all of it. */
  question: { id: string; nth: number } | null;
  small?: boolean;
}) {
  const [busy, once] = useOnce();
  const about = { class: group, student };
  const what = question ? `Answer ${question.nth}` : "This work";
  const put = () =>
    once(async () => {
      const outcome = await putIntoPortfolio({ ...about, assignment, question: question?.id ?? null });
      if (!outcome.ok) return tellProblem(outcome.problem);
      const { piece, already } = outcome.value;
      if (already) return tell(`${what} is in the portfolio of ${name} already.`);
      tell(`${what} is in the portfolio of ${name} now.`, () =>
        takeOutOfPortfolio({ ...about, piece }).then((out) => {
          if (!out.ok) tellProblem(out.problem);
        }),
      );
    });
  if (small)
    return (
      <IconButton name={`Put answer ${question?.nth} into the portfolio`} small disabled={busy} onClick={put}>
        <Heart size={15} aria-hidden />
      </IconButton>
    );
  return (
    <Button size="small" disabled={busy} onClick={put}>
      <Heart size={14} aria-hidden /> Put in portfolio
    </Button>
  );
}
