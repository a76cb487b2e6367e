"use client";
import { clsx } from "clsx";
import { Fragment } from "react";
import type { AssignContext } from "@/server/assign/assign-context";
import type { LightTableData } from "@/server/find/light-table";
import { Notice } from "@/ui/notice";

const verdicts = { fits: "Fits", "with care": "With care for", "does not": "Does not fit" } as const;
const colours = ["text-clay", "text-slate", undefined] as const;

/** How it suits the class in the top bar, with every reason; never a number alone. */
export function FitStatement({ data, assign }: { data: LightTableData; assign: AssignContext }) {
  const { fit } = data;
  const group = assign.classes.find((one) => one.id === assign.current);
  if (!fit || !group) return null;
  return (
    <Notice tone={fit.verdict === "does not" ? "information" : "good"} className="mt-2 text-[13px]">
      <p>
        <strong>
          {verdicts[fit.verdict]} {group.name}.
        </strong>{" "}
        {fit.reasons.map((reason, at) => (
          <Fragment key={reason.aspect}>
            {at > 0 && " · "}
            <span className={clsx(colours[reason.level])}>{reason.text}</span>
          </Fragment>
        ))}
      </p>
    </Notice>
  );
}
