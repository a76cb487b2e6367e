"use client";
import type { AssignForm } from "@/core/assign/form";
import { openingFor } from "@/core/assign/opening";
import { formatList } from "@/core/format-list";
import type { Audience } from "@/server/assign/audience";
import { Button } from "@/ui/button";
import { Fold } from "@/ui/fold";
import { Segmented } from "@/ui/segmented";
import { MoreFields } from "./more-fields";
import { ResourceOrder } from "./resource-order";
import { ToField } from "./to-field";
import { VersionsFields } from "./versions-grid";
import { WhenFields } from "./when-fields";

/** The form under the line: who, which version, in which order, when, how often. */
export function FormFields({
  audience,
  resources,
  form,
  now,
  onChange,
}: {
  audience: Audience;
  resources: readonly { id: number; title: string }[];
  form: AssignForm;
  now: Date;
  onChange: (change: Partial<AssignForm>) => void;
}) {
  const single = resources.length === 1 ? resources[0]! : null;
  const someHaveTime = audience.classes.some(({ students }) => students.some(({ factor }) => factor > 1));
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4 rounded-card border border-line bg-card p-5">
      <ToField
        audience={audience}
        to={form.to}
        onChange={(to) => onChange({ to, opens: openingFor(audience.classes, to, form.opens) })}
      />
      {(audience.versions.length > 0 || someHaveTime) && (
        <Fold title="Different versions, more time …">
          <VersionsFields audience={audience} form={form} resources={resources} onChange={onChange} />
        </Fold>
      )}
      {(!single || form.parts) && (
        <div>
          <p className="mb-1 text-[13px] text-ink-soft">
            {form.parts ? `In ${form.parts.length} parts` : `${resources.length} resources`}
          </p>
          <Segmented
            label="Spread"
            value={form.spread}
            onChange={(spread) => onChange({ spread, ...(spread === "together" && { parts: null }) })}
            options={[
              { value: "together", text: "all at once" },
              { value: "one a meeting", text: "one in each lesson" },
            ]}
          />
          {!single && (
            <ResourceOrder
              resources={resources}
              order={form.resources}
              onChange={(order) => onChange({ resources: order })}
            />
          )}
        </div>
      )}
      {form.steps && (
        <p className="flex flex-wrap items-center gap-3 text-[13px]">
          <span>
            Only{" "}
            <strong>
              {formatList(audience.steps.filter(({ id }) => form.steps?.includes(id)).map(({ title }) => `“${title}”`))}
            </strong>
          </span>
          <Button size="small" onClick={() => onChange({ steps: null })}>
            Assign all of it
          </Button>
        </p>
      )}
      <WhenFields audience={audience} form={form} now={now} onChange={onChange} />
      <Fold title="How often, checking, days, goals …">
        <MoreFields
          audience={audience}
          form={form}
          now={now}
          titles={new Map(resources.map(({ id, title }) => [id, title]))}
          onChange={onChange}
        />
      </Fold>
    </div>
  );
}
