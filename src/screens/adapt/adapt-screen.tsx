"use client";
import { Backpack, Eye, MapPin, Redo2, Scissors, ScrollText, Shapes, Share2, Undo2 } from "lucide-react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { useEffect, useMemo, useState } from "react";
import { adoptQuestion, adoptStep, giveBack, giveQuestionBack } from "@/core/resource/adopt";
import { changesBetween, stepTitle } from "@/core/resource/changes";
import {
  duplicateSteps,
  insertStep,
  moveStep,
  moveSteps,
  newStep,
  removeSteps,
  replaceStep,
  restoreBlock,
  restoreSteps,
} from "@/core/resource/edit";
import { unfinished } from "@/core/resource/unfinished";
import { licenceProblems } from "@/core/licence/way-out";
import { missingFiles } from "@/core/resource/stored-files";
import { takeField, takeStep } from "@/core/resource/merge";
import { inLanguage } from "@/core/content/language";
import { most } from "@/core/content/vocabulary";
import type { AdaptData } from "@/server/adapt/adapt";
import { Button, buttonClasses } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { IconButton } from "@/ui/icon-button";
import { later } from "@/ui/later";
import { Menu, MenuItem } from "@/ui/menu";
import { Segmented } from "@/ui/segmented";
import { tell, tellProblem } from "@/ui/toast";
import { nativeLanguageName } from "../media/native-language-name";
import type { Taken } from "./changes/elsewhere-view";
import { MetNotice } from "./changes/met-notice";
import { OfferedNotice, Publishing } from "./draft/publishing";
import { SaveSign } from "./draft/save-state";
import { Settings } from "./settings";
import { SourceSign } from "./changes/source-sign";
import { Spine } from "./spine";
import { StandardsWritten } from "./editors/about-standards";
import { StepEditor } from "./step-editor";
import { useRemarks } from "./remarks/use-remarks";
import { Grip } from "../shell/grip";
import { openOnTable } from "../shell/opened";
import { useSought } from "./remarks/use-sought";
import { useSettled } from "./draft/use-settled";
import { useDraft } from "./draft/use-draft";
import { useUndoKeys } from "./draft/use-undo-keys";

// Views that are turned to, not begun with.
const AsStudent = later(() => import("./as-student").then((part) => part.AsStudent));
const ChangesView = later(() => import("./changes/changes-view").then((part) => part.ChangesView));
const ElsewhereView = later(() => import("./changes/elsewhere-view").then((part) => part.ElsewhereView));
const TranslateStep = later(() => import("./languages/translate-step").then((part) => part.TranslateStep));

const newId = () => crypto.randomUUID().slice(0, 13);

export function AdaptScreen({
  data,
  showChanges = false,
  periodMinutes,
  zone,
  now,
}: {
  data: AdaptData;
  showChanges?: boolean;
  periodMinutes: number | null;
  zone: string;
  now: Date;
}) {
  const router = useRouter();
  const draft = useDraft(data.resource, data.document, data.counter);
  const { document, change, undo, redo, state } = draft;
  const [current, setCurrent] = useState<string | null>(document.steps[0]?.id ?? null);
  const [view, setView] = useState<"edit" | "student" | "changes" | "elsewhere">(showChanges ? "changes" : "edit");
  const asStudent = view === "student";
  const language = document.languages[0]!;
  const [wanted, setWanted] = useState(language);
  const seek = useSought();
  const writing = document.languages.includes(wanted) ? wanted : language;
  // What takes longer than a key may follows when typing rests.
  const settled = useSettled(document, 350);
  const changes = useMemo(
    () => (data.source ? changesBetween(data.source.document, settled) : null),
    [data.source, settled],
  );
  const problems = useMemo(() => {
    return [...unfinished(document, data.me.id), ...licenceProblems(document)];
  }, [document, data.me.id]);
  const remarked = useRemarks(settled);
  const advice = useMemo(
    () => [...data.sentBack, ...missingFiles(settled, data.gone), ...remarked],
    [data, settled, remarked],
  );
  const step = document.steps.find((one) => one.id === current) ?? document.steps[0] ?? null;

  // What the lessons below the editor assign.
  useEffect(() => openOnTable(data.resource), [data.resource]);
  useUndoKeys(undo, redo);

  const pick = (id: string) => {
    setCurrent(id);
    if (view === "changes" || view === "elsewhere") setView("edit");
  };
  /** To what was found: the step, and in it the block, which is brought into sight. */
  const goTo = (id: string, block?: string) => {
    setCurrent(id);
    setView("edit");
    if (block) seek(`block-${block}`);
  };
  const remove = (ids: readonly string[]) => {
    const before = document;
    const at = document.steps.findIndex((one) => ids.includes(one.id));
    const next = removeSteps(document, ids);
    change(next);
    if (step && ids.includes(step.id)) setCurrent(next.steps[Math.min(at, next.steps.length - 1)]?.id ?? null);
    tell(ids.length === 1 ? "Removed the step." : `Removed ${ids.length} steps.`, () => {
      change((now) => restoreSteps(now, before, ids));
      setCurrent(ids[0]!);
    });
  };
  /** Whether there is room for this many more steps; says so when there is not. */
  const room = (count: number) => {
    const fits = document.steps.length + count <= most.steps;
    if (!fits) tellProblem(`${most.steps} steps are the most a resource can have. Nothing was changed.`);
    return fits;
  };
  const add = (at = step ? document.steps.indexOf(step) + 1 : document.steps.length) => {
    if (!room(1)) return;
    const fresh = newStep(language, "", newId);
    change(insertStep(document, fresh, at));
    setWanted(language);
    setCurrent(fresh.id);
    setView("edit");
  };
  const takeFrom = (taken: Taken) => {
    const { from, how } = taken;
    if (how === "into") {
      if (!step) return;
      if (step.blocks.length >= most.blocks)
        return tellProblem(`${most.blocks} parts are the most a step can have. Nothing was changed.`);
      const into = adoptQuestion(document, taken, from, step, newId);
      change(into.document);
      return tell(`Put into “${stepTitle(step, document.languages)}”.`, () =>
        change((now) => giveQuestionBack(now, into.block)),
      );
    }
    if (how === "after" && !room(1)) return;
    const place =
      how === "instead" && step ? { instead: step.id } : { at: step ? document.steps.indexOf(step) + 1 : 0 };
    const adopted = adoptStep(document, taken.step, from, place, newId);
    change(adopted.document);
    setCurrent(adopted.step);
    const swapped = how === "instead" ? step : null;
    tell(how === "after" ? "Put in." : "Swapped.", () => change((now) => giveBack(now, adopted.step, swapped)));
  };
  return (
    <div className="flex h-full flex-col">
      <header className="flex h-[50px] shrink-0 items-center gap-3 border-b border-line px-5">
        {data.revisions.length > 0 && (
          <Grip id={data.resource} title={inLanguage(document.title, document.languages) ?? ""} />
        )}
        <Backpack size={18} aria-label="mine" className="shrink-0 text-brass" />
        <input
          type="text"
          aria-label="Title"
          value={inLanguage(document.title, document.languages) ?? ""}
          maxLength={300}
          onChange={(event) =>
            change((now) => ({ ...now, title: { ...now.title, [language]: event.target.value } }), "title")
          }
          className="min-w-40 flex-1 rounded-[4px] bg-transparent px-1 font-serif text-[20px] hover:ring-1 hover:ring-line"
        />
        <SourceSign
          data={data}
          changes={changes}
          open={view === "changes"}
          onOpen={() => setView(view === "changes" ? "edit" : "changes")}
        />
        <SaveSign state={state} savedBefore={data.saved} zone={zone} />
        <div className="flex gap-1">
          <IconButton name="Undo" disabled={!undo} onClick={() => undo?.()}>
            <Undo2 size={17} aria-hidden />
          </IconButton>
          <IconButton name="Redo" disabled={!redo} onClick={() => redo?.()}>
            <Redo2 size={17} aria-hidden />
          </IconButton>
        </div>
        {data.published && (
          <Link href={`/satchel?open=${data.resource}&do=share`} className={buttonClasses()}>
            <Share2 size={16} aria-hidden /> <span className="max-xl:sr-only">Share …</span>
          </Link>
        )}
        <Menu
          trigger={
            <Button>
              <Shapes size={16} aria-hidden /> Fit …
            </Button>
          }
        >
          <MenuItem onSelect={() => router.push(`/adapt/${data.resource}/place`)}>
            <MapPin size={16} aria-hidden /> To my place: money, units, spelling
          </MenuItem>
          <MenuItem onSelect={() => router.push(`/adapt/${data.resource}/version`)}>
            <Scissors size={16} aria-hidden /> Shorter, or easier to read
          </MenuItem>
        </Menu>
        <Link
          href={`/adapt/${data.resource}/run-sheet`}
          aria-label="Run sheet"
          title="Run sheet: my script for teaching it to the class"
          className={buttonClasses()}
        >
          <ScrollText size={16} aria-hidden />
        </Link>
        <Button aria-pressed={asStudent} onClick={() => setView(asStudent ? "edit" : "student")}>
          <Eye size={16} aria-hidden />{" "}
          <span className="max-xl:sr-only">{asStudent ? "Back to editing" : "See as student"}</span>
        </Button>
        <Publishing
          data={data}
          draft={draft}
          ready={problems.length === 0 && (data.hasDraft || state.kind !== "saved" || Boolean(state.at))}
        />
      </header>
      <OfferedNotice data={data} zone={zone} now={now} />
      {data.running.length > 0 && (
        <p className="flex h-8 shrink-0 items-center border-b border-line bg-slate-wash px-5 text-[13px]">
          {data.running.join(" and ")} {data.running.length === 1 ? "has" : "have"} this to do just now. What they have
          stays as it is; what you change goes out with the next revision.
        </p>
      )}
      {draft.met && (
        <MetNotice
          met={draft.met}
          document={document}
          onTake={(id) => change((now) => takeStep(now, draft.met!.theirs, id))}
          onTakeField={(field) => change((now) => takeField(now, draft.met!.theirs, field))}
          onClose={draft.seenMet}
        />
      )}
      <div className="grid min-h-0 flex-1 grid-cols-[262px_minmax(0,1fr)_288px]">
        <Spine
          document={document}
          current={step?.id ?? null}
          changes={changes}
          problems={problems}
          periodMinutes={periodMinutes}
          onPick={pick}
          onMove={(from, to) => change((now) => moveStep(now, from, to))}
          onMoveSeveral={(ids, by) => change((now) => moveSteps(now, ids, by))}
          onCopy={(ids) => room(ids.length) && change((now) => duplicateSteps(now, ids, newId))}
          onRemove={remove}
          onAdd={add}
          elsewhere={view === "elsewhere"}
          onElsewhere={() => setView(view === "elsewhere" ? "edit" : "elsewhere")}
        />
        <section aria-label="The step" className="min-h-0 overflow-auto p-6">
          {document.languages.length > 1 && step && (view === "edit" || asStudent) && (
            <Segmented
              label="Language"
              value={writing}
              onChange={setWanted}
              options={document.languages.map((one) => ({ value: one, text: nativeLanguageName(one) }))}
              className="mx-auto mb-4 max-w-3xl"
            />
          )}
          {view === "changes" ? (
            <ChangesView data={data} document={document} zone={zone} onChange={change} />
          ) : view === "elsewhere" ? (
            <ElsewhereView
              resource={data.resource}
              document={document}
              current={step && stepTitle(step, document.languages)}
              onTake={takeFrom}
            />
          ) : !step ? (
            <Empty title="No steps yet">
              <Button look="plain" onClick={() => add()}>
                Write the first step
              </Button>
            </Empty>
          ) : asStudent ? (
            <AsStudent
              document={document}
              stepId={step.id}
              owner={data.me.id}
              languages={[writing, ...document.languages.filter((one) => one !== writing)]}
            />
          ) : writing !== language ? (
            <TranslateStep
              key={`${step.id} ${writing}`}
              document={document}
              step={step}
              language={writing}
              me={data.me}
              onStep={(next, kind) => change((now) => replaceStep(now, next), kind ?? null)}
              onDocument={(next, kind) => change(next, kind ?? null)}
            />
          ) : (
            <StandardsWritten value={document.standards}>
              <StepEditor
                key={step.id}
                step={step}
                languages={document.languages}
                me={data.me}
                newId={newId}
                onChange={(next, kind) => change((now) => replaceStep(now, next), kind ?? null)}
                onRestore={(block, at) => change((now) => restoreBlock(now, step.id, block, at))}
              />
            </StandardsWritten>
          )}
        </section>
        <Settings
          document={document}
          step={step}
          problems={problems}
          remarks={advice}
          onLanguage={(one) => {
            setWanted(one);
            setView("edit");
          }}
          resource={data.resource}
          onStep={(next, kind) => change((now) => replaceStep(now, next), kind ?? null)}
          onDocument={(next, kind) => change(next, kind ?? null)}
          onGo={goTo}
        />
      </div>
    </div>
  );
}
