"use client";
import { clsx } from "clsx";
import { Check, ChevronDown, ChevronRight, Upload } from "lucide-react";
import { useRouter } from "next/navigation";
import { useMemo, useRef, useState } from "react";
import { formatGradeSpan } from "@/core/content/grade";
import type { Framework, TreeNode } from "@/data/find/standards";
import { undoFramework } from "../acts/standards";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Empty } from "@/ui/empty";
import { tell, tellProblem } from "@/ui/toast";
import { useAddress } from "../use-address";

export interface StandardsScreenProps {
  frameworks: Framework[];
  framework: Framework | null;
  tree: TreeNode[];
  covered: string[];
  className: string | null;
  grades: { from: number; to: number } | null;
  at: number | null;
  elsewhere: { kind: string; code: string; statement: string; framework: string }[];
  mayImport: boolean;
}

const kindWords: Record<string, string> = {
  exactMatchOf: "the same as",
  isRelatedTo: "related to",
  precedes: "before or after",
  isPeerOf: "beside",
  replacedBy: "replaced by",
};

interface Imported {
  name: string;
  added: number;
  changed: number;
  withdrawn: number;
  leftOut: string[];
  event: number;
}

const MOST_NEIGHBOURS = 12;

/** The frameworks as a tree: what there is under each statement, what the class has met, and from here to the results. */
export function StandardsScreen(props: StandardsScreenProps) {
  const { frameworks, framework, tree, covered, className, grades, at, elsewhere, mayImport } = props;
  const { go, parameters } = useAddress();
  const router = useRouter();
  // In the address, so that coming back from the results finds them chosen.
  const [picked, setPickedHere] = useState<string[]>(() => parameters.get("chosen")?.split(",").filter(Boolean) ?? []);
  const setPicked = (next: string[]) => {
    setPickedHere(next);
    const said = new URLSearchParams(window.location.search);
    if (next.length > 0) said.set("chosen", next.join(","));
    else said.delete("chosen");
    window.history.replaceState(null, "", said.size > 0 ? `?${said}` : window.location.pathname);
  };
  const [onlyMine, setOnlyMine] = useState(grades !== null);
  const [closed, setClosed] = useState<ReadonlySet<number>>(new Set());
  const file = useRef<HTMLInputElement>(null);
  const met = useMemo(() => new Set(covered), [covered]);

  const suits = (node: TreeNode) =>
    !onlyMine ||
    grades === null ||
    node.gradeFrom === null ||
    (node.gradeFrom <= grades.to && (node.gradeTo ?? node.gradeFrom) >= grades.from);
  const byParent = useMemo(() => {
    const groups = new Map<number | null, TreeNode[]>();
    for (const node of tree) groups.set(node.parent, [...(groups.get(node.parent) ?? []), node]);
    return groups;
  }, [tree]);
  const leaves = tree.filter((node) => !byParent.has(node.id) && suits(node));
  const shownLeaf = new Set(leaves.map((node) => node.id));
  const hasShown = (node: TreeNode): boolean =>
    byParent.has(node.id) ? byParent.get(node.id)!.some(hasShown) : shownLeaf.has(node.id);
  const metCount = leaves.filter((node) => met.has(node.code)).length;

  const toggle = (code: string) =>
    setPicked(picked.includes(code) ? picked.filter((one) => one !== code) : [...picked, code]);
  const bringIn = async (chosen: File) => {
    const response = await fetch("/find/standards/import", { method: "POST", body: await chosen.text() });
    const answer = (await response.json()) as { problem: string } | Imported;
    if ("problem" in answer) return tellProblem(answer.problem);
    const left = answer.leftOut.length > 0 ? ` Left out: ${answer.leftOut.join("; ")}.` : "";
    tell(
      `“${answer.name}”: ${answer.added} statements added, ${answer.changed} changed, ${answer.withdrawn} withdrawn.${left}`,
      async () => {
        const outcome = await undoFramework({ event: answer.event });
        if (!outcome.ok) return tellProblem(outcome.problem);
        tell(`“${answer.name}” is as it was before.`);
        router.refresh();
      },
    );
    router.refresh();
  };

  const branch = (parent: number | null, depth: number) => (
    <ul aria-label={depth === 0 ? framework?.name : undefined}>
      {(byParent.get(parent) ?? []).filter(hasShown).map((node) => {
        const inner = byParent.has(node.id);
        const open = !closed.has(node.id);
        return (
          <li key={node.id}>
            <div
              className={clsx(
                "flex min-h-8 items-center gap-2 border-b border-line/60 py-1 pr-5 hover:bg-shade/50",
                at === node.id && "bg-shade",
              )}
              style={{ paddingLeft: `${depth * 20 + 4}px` }}
            >
              {inner ? (
                <button
                  type="button"
                  aria-label={node.statement}
                  aria-expanded={open}
                  className="grid h-6 w-6 place-items-center"
                  onClick={() =>
                    setClosed((old) => {
                      const next = new Set(old);
                      if (!next.delete(node.id)) next.add(node.id);
                      return next;
                    })
                  }
                >
                  {open ? <ChevronDown size={14} aria-hidden /> : <ChevronRight size={14} aria-hidden />}
                </button>
              ) : (
                <span className="w-6" />
              )}
              {node.code && (
                <Checkbox
                  label={`Choose ${node.code}`}
                  checked={picked.includes(node.code)}
                  onChange={() => toggle(node.code)}
                />
              )}
              <button
                type="button"
                className={clsx("flex min-w-0 flex-1 items-baseline gap-3 text-left", inner && "font-semibold")}
                onClick={() => go({ at: node.id })}
              >
                <span className="numbers w-24 shrink-0 text-[13px] text-ink-soft">{node.code}</span>
                <span className="min-w-0">{node.statement}</span>
              </button>
              {!inner && met.has(node.code) && (
                <span className="flex items-center gap-1 text-[13px] text-green">
                  <Check size={13} aria-hidden /> met
                </span>
              )}
              <span
                className={clsx("numbers w-14 text-right text-[13px]", node.resources === 0 && "text-ink-soft")}
                title="resources you may see"
              >
                {node.resources || "–"}
              </span>
            </div>
            {inner && open && branch(node.id, depth + 1)}
          </li>
        );
      })}
    </ul>
  );

  const current = tree.find((node) => node.id === at);
  const away = (node: TreeNode) => Math.abs((node.gradeFrom ?? 0) - (current?.gradeFrom ?? 0));
  const neighbours = current
    ? (byParent.get(current.parent) ?? [])
        .filter((node) => node.id !== current.id && !byParent.has(node.id) && away(node) <= 1)
        .slice(0, MOST_NEIGHBOURS)
    : [];
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_340px]">
      <section aria-label="Frameworks" className="flex min-h-0 flex-col border-r border-line bg-card">
        <header className="flex flex-wrap items-center gap-3 border-b border-line px-5 py-3">
          <h1 className="font-serif text-[21px]">From a standard</h1>
          <select
            aria-label="Framework"
            value={framework?.id ?? ""}
            onChange={(event) => go({ framework: event.target.value, at: null }, "push")}
            className="h-8 max-w-80 rounded-card border border-line bg-card px-2"
          >
            {frameworks.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </select>
          {grades && (
            <label className="flex items-center gap-2 text-[13px]">
              <Checkbox
                label={`Only the class’s grades, ${formatGradeSpan(grades)}`}
                checked={onlyMine}
                onChange={setOnlyMine}
              />
              <span aria-hidden>
                only {grades.from === grades.to ? "grade" : "grades"} {formatGradeSpan(grades)}
              </span>
            </label>
          )}
          {className && (
            <span className="ml-auto text-[13px] text-ink-soft">
              {className} has met {metCount} of {leaves.length}
            </span>
          )}
        </header>
        <div className="min-h-0 flex-1 overflow-auto">
          {tree.length === 0 ? (
            <Empty title="No frameworks yet">
              {mayImport ? "Import one as a CASE 1.0 file." : "A curator can import one."}
            </Empty>
          ) : (
            branch(null, 0)
          )}
          {framework?.source && <p className="px-5 py-3 text-[12px] text-ink-soft">{framework.source}</p>}
        </div>
      </section>
      <aside aria-label="Chosen" className="flex min-h-0 flex-col gap-5 overflow-auto p-5">
        <section>
          <h2 className="font-serif text-[17px]">
            {picked.length === 0 ? "Choose one or several" : `${picked.length} chosen`}
          </h2>
          {picked.length === 0 ? (
            <p className="mt-1 text-[13px] text-ink-soft">Choosing a strand chooses everything under it.</p>
          ) : (
            <>
              <ul className="mt-1 text-[13px]">
                {picked.map((code) => (
                  <li key={code}>{code}</li>
                ))}
              </ul>
              <div className="mt-3 flex gap-2">
                <Button
                  look="main"
                  onClick={() => router.push(`/find?standard=${picked.map(encodeURIComponent).join(",")}`)}
                >
                  Show what covers {picked.length === 1 ? "it" : "them"}
                </Button>
                <Button onClick={() => setPicked([])}>None</Button>
              </div>
            </>
          )}
        </section>
        {current && (
          <section className="text-[13px]">
            <h2 className="font-serif text-[17px]">{current.code}</h2>
            <p className="mt-1">{current.statement}</p>
            {elsewhere.length > 0 && (
              <ul className="mt-3 grid gap-2">
                {elsewhere.map((other) => (
                  <li key={other.kind + other.code}>
                    <span className="text-ink-soft">{kindWords[other.kind] ?? other.kind}</span>{" "}
                    <strong>{other.code}</strong> {other.statement}{" "}
                    <span className="text-ink-soft">({other.framework})</span>
                  </li>
                ))}
              </ul>
            )}
            {neighbours.length > 0 && (
              <>
                <h3 className="mt-3 font-bold">Before, beside and after it</h3>
                <ul className="mt-1 grid gap-1">
                  {neighbours.map((node) => (
                    <li key={node.id} className="flex items-start gap-2">
                      <Checkbox
                        label={`Choose ${node.code} too`}
                        checked={picked.includes(node.code)}
                        onChange={() => toggle(node.code)}
                      />
                      <span>
                        {node.code} <span className="text-ink-soft">{node.statement}</span>
                      </span>
                    </li>
                  ))}
                </ul>
              </>
            )}
          </section>
        )}
        {mayImport && (
          <section className="mt-auto border-t border-line pt-4 text-[13px]">
            <input
              ref={file}
              type="file"
              accept="application/json,.json"
              aria-label="A framework as CASE 1.0 JSON"
              className="heard"
              tabIndex={-1}
              onChange={(event) => {
                const [chosen] = event.target.files ?? [];
                event.target.value = "";
                if (chosen) void bringIn(chosen);
              }}
            />
            <Button onClick={() => file.current?.click()}>
              <Upload size={14} aria-hidden /> Import a framework
            </Button>
            <p className="mt-2 text-ink-soft">
              A CASE 1.0 file. Importing it again updates it; what is aligned stays aligned.
            </p>
          </section>
        )}
      </aside>
    </div>
  );
}
