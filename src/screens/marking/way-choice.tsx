"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { plainRubric, skillRubric, type Rubric } from "@/core/marking/rubric";
import type { KeptRubric } from "@/data/marking/rubrics";
import { chooseWay, putRubricAway } from "@/screens/acts/marking";
import { BlankSelect } from "@/ui/blank-select";
import { Button } from "@/ui/button";
import { tell, tellProblem } from "@/ui/toast";
import { RubricDialog } from "./rubric-dialog";

const newId = () => crypto.randomUUID().slice(0, 13);

/** What a question is marked by: its marks, a rubric, or one skill from 1 to 4. */
export function WayChoice({
  assignment,
  question,
  worth,
  way,
  rubrics,
  me,
}: {
  assignment: number;
  question: string;
  worth: number;
  way: KeptRubric | null;
  rubrics: readonly KeptRubric[];
  me: number;
}) {
  const router = useRouter();
  const [writing, setWriting] = useState<{ start: Rubric; replaces: number | null } | null>(null);
  const choose = async (rubric: number | null, undone = false) => {
    const outcome = await chooseWay({ assignment, question, rubric });
    if (!outcome.ok) return tellProblem(outcome.problem);
    const { before } = outcome.value;
    if (!undone && before !== rubric) tell("Changed how this is marked.", () => void choose(before, true));
    router.refresh();
  };
  const away = async (rubric: KeptRubric, put: boolean) => {
    const outcome = await putRubricAway({ rubric: rubric.id, away: put });
    if (!outcome.ok) return tellProblem(outcome.problem);
    if (put) tell(`Put “${rubric.content.name}” away. Work that uses it keeps it.`, () => void away(rubric, false));
    router.refresh();
  };
  // A colleague's, or one that was put away, is still used here.
  const known = way && !rubrics.some(({ id }) => id === way.id) ? [...rubrics, way] : rubrics;
  return (
    <p className="flex flex-wrap items-center gap-x-2 gap-y-1">
      <span>
        Marked by{" "}
        <BlankSelect
          name="Marked by"
          value={way ? String(way.id) : "marks"}
          options={[
            { value: "marks", text: `marks, out of ${worth}` },
            ...known.map(({ id, content }) => ({ value: String(id), text: content.name })),
            { value: "new", text: "a new rubric …" },
            { value: "skill", text: "one skill, 1 to 4 …" },
          ]}
          onChange={(value) => {
            if (value === "new") setWriting({ start: plainRubric(newId()), replaces: null });
            else if (value === "skill") setWriting({ start: skillRubric("", newId()), replaces: null });
            else void choose(value === "marks" ? null : Number(value));
          }}
        />
      </span>
      {way?.owner === me && (
        <Button look="quiet" size="small" onClick={() => setWriting({ start: way.content, replaces: way.id })}>
          Change …
        </Button>
      )}
      {writing && (
        <RubricDialog
          {...writing}
          onClose={() => setWriting(null)}
          onAway={
            way && writing.replaces === way.id && rubrics.some(({ id }) => id === way.id)
              ? () => {
                  setWriting(null);
                  void away(way, true);
                }
              : undefined
          }
          onKept={(rubric) => {
            setWriting(null);
            void choose(rubric);
          }}
        />
      )}
    </p>
  );
}
