"use client";
import { clsx } from "clsx";
import { useState } from "react";
import type { Document } from "@/core/resource/document";
import type { ResponseValue } from "@/core/resource/question";
import { withoutUndecidedVoices } from "@/core/resource/voices";
import { mark, type Mark } from "@/core/scoring/mark";
import { Segmented } from "@/ui/segmented";
import { StepView } from "../step/step-view";

/** Widths and heights a page has on them, CSS pixels; common ones of recent years. */
const devices = {
  laptop: { width: 768, height: 640 },
  tablet: { width: 620, height: 720 },
  phone: { width: 380, height: 700 },
};

/** The step by the very view students have, with checking; nothing is kept. */
export function AsStudent({
  document,
  stepId,
  owner,
  languages,
}: {
  document: Document;
  stepId: string;
  owner: number;
  /** As read: the chosen language first. */
  languages: readonly string[];
}) {
  const [device, setDevice] = useState<keyof typeof devices>("laptop");
  const [values, setValues] = useState<Record<string, ResponseValue>>({});
  const [marks, setMarks] = useState<Record<string, Mark | undefined>>({});
  const heard = withoutUndecidedVoices(document, owner);
  const step = heard.steps.find((one) => one.id === stepId);
  if (!step) return null;
  return (
    <div className="grid gap-3">
      <Segmented
        label="On what"
        value={device}
        onChange={setDevice}
        options={(Object.keys(devices) as (keyof typeof devices)[]).map((one) => ({ value: one, text: one }))}
        className="mx-auto w-72"
      />
      <div
        className={clsx(
          "mx-auto w-full overflow-hidden border-line-strong bg-card",
          device === "laptop" ? "rounded-card border" : "rounded-[22px] border-[10px]",
        )}
        style={{ maxWidth: devices[device].width }}
      >
        <div
          className={clsx("@container overflow-auto text-[17px]", device === "phone" ? "p-4" : "p-6")}
          style={device === "laptop" ? undefined : { height: devices[device].height }}
        >
          <StepView
            key={step.id}
            step={step}
            languages={languages}
            values={values}
            marks={marks}
            onChange={(question, value) => {
              setValues((old) => ({ ...old, [question.id]: value }));
              setMarks((old) => ({ ...old, [question.id]: undefined }));
            }}
            mayCheck={(question) => question.checked === "at once"}
            onCheck={(question) =>
              setMarks((old) => ({ ...old, [question.id]: mark(question, values[question.id], document.languages[0]) }))
            }
          />
        </div>
      </div>
    </div>
  );
}
