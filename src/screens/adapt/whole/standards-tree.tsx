"use client";
import { useEffect, useState } from "react";
import { formatGradeSpan } from "@/core/content/grade";
import type { GradeSpan } from "@/core/resource/document";
import type { StandardOffer, TreeNode } from "@/data/find/standards";
import { Checkbox } from "@/ui/checkbox";
import { Dialog } from "@/ui/dialog";
import { inputClasses } from "@/ui/field";
import { askStandards, type Tree } from "./ask-standards";

/** A framework as its tree, to tick what the resource is about. */
export function StandardsTree({
  resource,
  named,
  grades,
  has,
  onAdd,
  onRemove,
  onClose,
}: {
  resource: number;
  /** Frameworks the resource names already: the tree opens at one of them. */
  named: string[];
  grades: GradeSpan;
  has: (offer: StandardOffer) => boolean;
  onAdd: (offer: StandardOffer) => void;
  onRemove: (offer: StandardOffer) => void;
  onClose: () => void;
}) {
  const [wanted, setWanted] = useState<number | null>(null);
  const [only, setOnly] = useState(true);
  const [found, setFound] = useState<Tree | "none" | null>(null);
  // Ticking one of another framework must not turn the page: what was named when it opened decides.
  const [atFirst] = useState(named);
  useEffect(() => {
    const abort = new AbortController();
    void askStandards(resource, { ask: "tree", framework: wanted, named: atFirst }, abort.signal).then((answer) => {
      if (!abort.signal.aborted) setFound(answer && "tree" in answer ? answer : "none");
    });
    return () => abort.abort();
  }, [resource, wanted, atFirst]);
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Standards">
      {found === null ? (
        <p className="text-ink-soft">One moment …</p>
      ) : found === "none" ? (
        <p>The tree could not be loaded. What you made is safe.</p>
      ) : found.frameworks.length === 0 ? (
        <p>No framework has been imported yet.</p>
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
          <label className="mb-2 flex items-center gap-2">
            <Checkbox label={`only grades ${formatGradeSpan(grades)}`} checked={only} onChange={setOnly} />
            only grades {formatGradeSpan(grades)}
          </label>
          <Branch
            parent={null}
            nodes={only ? suiting(found.tree, grades) : found.tree}
            framework={found.frameworks.find(({ id }) => id === found.chosen)!}
            {...{ has, onAdd, onRemove }}
          />
        </>
      )}
    </Dialog>
  );
}

/** What suits these grades, with all that stands above it. */
function suiting(tree: readonly TreeNode[], grades: GradeSpan): TreeNode[] {
  const above = new Map(tree.map((node) => [node.id, node]));
  const parents = new Set(tree.map(({ parent }) => parent));
  const kept = new Set<number>();
  for (const node of tree) {
    const suits =
      !parents.has(node.id) &&
      (node.gradeFrom === null || (node.gradeFrom <= grades.to && (node.gradeTo ?? node.gradeFrom) >= grades.from));
    for (let at = suits ? node : undefined; at; at = above.get(at.parent ?? -1)) kept.add(at.id);
  }
  return tree.filter(({ id }) => kept.has(id));
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
  has: (offer: StandardOffer) => boolean;
  onAdd: (offer: StandardOffer) => void;
  onRemove: (offer: StandardOffer) => void;
}) {
  const { has, onAdd, onRemove } = rest;
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
              <details open>
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
