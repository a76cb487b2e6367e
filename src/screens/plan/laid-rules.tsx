"use client";
import { useState } from "react";
import type { AssignForm } from "@/core/assign/form";
import { plainForm } from "@/core/assign/plain-form";
import { layOutChoices } from "@/screens/acts/plan";
import type { Audience } from "@/server/assign/audience";
import { Fold } from "@/ui/fold";
import { Notice } from "@/ui/notice";
import { MoreFields } from "../assign/more-fields";
import { ToField } from "../assign/to-field";
import { VersionsFields } from "../assign/versions-grid";

interface Choices {
  audience: Audience;
  resources: { id: number; title: string }[];
}

/** Who gets a pocket that is laid out, which versions, how often, how it is checked: everyone, this one, once, until changed. */
export function LaidRulesFields({
  pocket,
  group,
  now,
  form,
  onChange,
}: {
  pocket: number;
  /** The class it is laid out for. */
  group: number;
  now: Date;
  /** Null: nothing was changed. */
  form: AssignForm | null;
  onChange: (form: AssignForm) => void;
}) {
  const [found, setFound] = useState<Choices | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const load = () => {
    setProblem(null);
    void layOutChoices({ pocket }).then((outcome) =>
      outcome.ok ? setFound(outcome.value) : setProblem(outcome.problem),
    );
  };
  const audience = found && { ...found.audience, classes: found.audience.classes.filter(({ id }) => id === group) };
  const own = audience?.classes[0];
  const shown =
    form ??
    (own &&
      found &&
      plainForm({
        resources: found.resources.map(({ id }) => id),
        to: [{ class: group, students: own.students.map(({ id }) => id) }],
      }));
  return (
    <Fold title="Students, versions, tries, goals …" onOpen={load}>
      {problem && <Notice tone="warning">{problem}</Notice>}
      {!found && !problem && <p className="text-ink-soft">One moment …</p>}
      {found && audience && own && shown && (
        <div className="grid grid-cols-[minmax(0,1fr)] gap-4">
          <ToField audience={audience} to={shown.to} onChange={(to) => onChange({ ...shown, to })} />
          {(audience.versions.length > 0 || own.students.some(({ factor }) => factor > 1)) && (
            <VersionsFields
              audience={audience}
              form={shown}
              resources={found.resources}
              onChange={(change) => onChange({ ...shown, ...change })}
            />
          )}
          <MoreFields
            audience={audience}
            form={{ ...shown, resources: shown.resources.slice(0, 1) }}
            now={now}
            titles={new Map(found.resources.map(({ id, title }) => [id, title]))}
            timesElsewhere
            onChange={(change) => onChange({ ...shown, ...change })}
          />
        </div>
      )}
    </Fold>
  );
}
