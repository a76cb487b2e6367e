"use client";
import { Fragment } from "react";
import { clsx } from "clsx";
import { formatGradeSpan } from "@/core/content/grade";
import type { Part } from "@/core/find/parts";
import { shortLicence } from "@/core/licence/licence";
import type { PartHit } from "@/server/adapt/elsewhere";
import { questionKinds } from "@/core/question/kinds";

function Marked({ says, matched }: Pick<Part, "says" | "matched">) {
  return (
    <>
      {matched.map(([from, to], at) => (
        <Fragment key={from}>
          {says.slice(matched[at - 1]?.[1] ?? 0, from)}
          <mark className="bg-brass-wash text-inherit">{says.slice(from, to)}</mark>
        </Fragment>
      ))}
      {says.slice(matched.at(-1)?.[1] ?? 0)}
    </>
  );
}

/** Steps and questions that were found, each on a line of its own, the words looked for marked in it. */
export function PartLines({
  parts,
  chosen,
  onChoose,
}: {
  parts: readonly PartHit[];
  chosen: PartHit | null;
  onChoose: (part: PartHit) => void;
}) {
  const isChosen = (part: PartHit) =>
    part.resource === chosen?.resource && part.step === chosen.step && part.block === chosen.block;
  return parts.map((part) => (
    <li key={`${part.resource} ${part.step} ${part.block}`}>
      <button
        type="button"
        aria-current={isChosen(part) || undefined}
        onClick={() => onChoose(part)}
        className={clsx(
          "grid w-full gap-0.5 border-b border-line px-3 py-2 text-left",
          isChosen(part) ? "bg-shade" : "hover:bg-shade/60",
        )}
      >
        <span className="line-clamp-2 break-words">
          <Marked {...part} />
        </span>
        <span className="truncate text-[13px] text-ink-soft">
          {part.type ? questionKinds[part.type].name : "Step"} · {part.title} · {part.author} · grades{" "}
          {formatGradeSpan(part.grades)} · {shortLicence(part.licence)}
        </span>
      </button>
    </li>
  ));
}
