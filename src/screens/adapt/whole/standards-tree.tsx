"use client";
import { useEffect, useState } from "react";
import type { GradeSpan } from "@/core/resource/document";
import type { StandardOffer, TreeNode } from "@/data/standards";
import { Checkbox } from "@/ui/checkbox";
import { Dialog } from "@/ui/dialog";
import { inputClasses } from "@/ui/field";
import { askStandards, type Tree } from "./ask-standards";

/** A framework as its tree, to tick what the resource is about. What suits its grades is open. */
export function StandardsTree({
  resource,
  grades,
  has,
  onAdd,
  onRemove,
  onClose,
}: {
  resource: number;
  grades: GradeSpan;
  has: (offer: StandardOffer) => boolean;
  onAdd: (offer: StandardOffer) => void;
  onRemove: (offer: StandardOffer) => void;
  onClose: () => void;
}) {
  const [wanted, setWanted] = useState<number | null>(null);
  const [found, setFound] = useState<Tree | "none" | null>(null);
  useEffect(() => {
    const abort = new AbortController();
    void askStandards(resource, { ask: "tree", framework: wanted }, abort.signal).then((answer) => {
      if (!abort.signal.aborted) setFound(answer && "tree" in answer ? answer : "none");
    });
    return () => abort.abort();
  }, [resource, wanted]);
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Standards">
      {found === null ? (
        <p className="text-ink-soft">One moment …</p>
      ) : found === "none" ? (
        <p>The tree could not be loaded. What you made is safe.</p>
      ) : found.frameworks.length === 0 ? (
        <p>No framework has been brought in yet.</p>
      ) : (
        <>
          {found.frameworks.length > 1 && (
            <select
              aria-label="Framework"
              className={`${inputClasses} mb-3`}
              value={found.chosen ?? ""}
              onChange={(event) => setWanted(Number(event.target.value))}
            >
              {found.frameworks.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </select>
          )}
          <Branch
            parent={null}
            nodes={found.tree}
            framework={found.frameworks.find(({ id }) => id === found.chosen)!}
            {...{ grades, has, onAdd, onRemove }}
          />
        </>
      )}
    </Dialog>
  );
}

function Branch({
  parent,
  nodes,
  framework,
  ...rest
}: {
  parent: number | null;
  nodes: readonly TreeNode[];
  framework: { uri: string; name: string };
  grades: GradeSpan;
  has: (offer: StandardOffer) => boolean;
  onAdd: (offer: StandardOffer) => void;
  onRemove: (offer: StandardOffer) => void;
}) {
  const { grades, has, onAdd, onRemove } = rest;
  const suits = (node: TreeNode): boolean =>
    nodes.some((one) => one.parent === node.id)
      ? nodes.some((one) => one.parent === node.id && suits(one))
      : node.gradeFrom === null || (node.gradeFrom <= grades.to && (node.gradeTo ?? node.gradeFrom) >= grades.from);
  return (
    <ul className={parent === null ? "" : "ml-4"}>
      {nodes
        .filter((node) => node.parent === parent)
        .map((node) => {
          const offer = {
            framework: framework.uri,
            frameworkName: framework.name,
            code: node.code,
            statement: node.statement,
          };
          return nodes.some((one) => one.parent === node.id) ? (
            <li key={node.id}>
              <details open={suits(node)}>
                <summary className="cursor-pointer py-1 font-semibold">{node.statement}</summary>
                <Branch parent={node.id} nodes={nodes} framework={framework} {...rest} />
              </details>
            </li>
          ) : (
            <li key={node.id}>
              <label className="flex items-baseline gap-2 py-1">
                <span className="self-center">
                  <Checkbox
                    label={`${node.code} ${node.statement}`}
                    checked={has(offer)}
                    onChange={(on) => (on ? onAdd(offer) : onRemove(offer))}
                  />
                </span>
                <span className="numbers shrink-0 text-[13px] text-ink-soft">{node.code}</span>
                <span>{node.statement}</span>
              </label>
            </li>
          );
        })}
    </ul>
  );
}
