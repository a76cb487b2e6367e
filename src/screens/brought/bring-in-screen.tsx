"use client";
import { clsx } from "clsx";
import {
  CircleHelp,
  Clapperboard,
  FileUp,
  GitCompareArrows,
  Image,
  Layers,
  PackageOpen,
  StickyNote,
  Table2,
  TextQuote,
  TriangleAlert,
  Volume2,
} from "lucide-react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { becomes, type Becomes } from "@/core/brought/brought";
import type { FileLook, PageLook } from "@/server/brought/bring-file";
import { Button, buttonClasses } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { fileClasses, inputClasses } from "@/ui/field";
import { Key } from "@/ui/key";
import { useKeys } from "@/ui/keys";
import { Notice } from "@/ui/notice";
import { formatSent, postFile, Stopped } from "../media/post-file";
import { later } from "@/ui/later";
import { tell } from "@/ui/toast";
import { Rich } from "../step/rich";
import { useOnce } from "../use-once";

const PdfPage = later(() => import("./pdf-page").then((part) => part.PdfPage));

interface Sending {
  as?: string;
  into?: number;
  onShare: (share: number) => void;
  signal: AbortSignal;
}

const send = <Answer,>(file: File, { as, into, onShare, signal }: Sending) =>
  postFile<Answer & { problem?: string }>(
    `/satchel/bring-in/file?${new URLSearchParams({
      name: file.name,
      ...(as !== undefined && { as }),
      ...(into !== undefined && { into: String(into) }),
    })}`,
    ...[file, onShare, signal],
  );

const partLooks = {
  text: TextQuote,
  table: Table2,
  picture: Image,
  question: CircleHelp,
  film: Clapperboard,
  sound: Volume2,
} as const;
const partNames = {
  text: "text",
  table: "a table",
  picture: "a picture",
  question: "a question",
  film: "a film",
  sound: "a sound",
} as const;

/** A page without a title goes by how it begins. */
const beginningOf = ({ parts }: PageLook): string => parts.find(({ says }) => says)?.says.slice(0, 80) ?? "A picture";

/** One page as it is in the file: what it has, and what does not come in. */
function Page({ page, nth }: { page: PageLook; nth: number }) {
  return (
    <article className="grid max-w-2xl min-w-72 flex-1 content-start gap-3" aria-label={`Page ${nth}`}>
      <h2 className="font-serif text-[20px]">{page.title || `Page ${nth}`}</h2>
      {page.parts.map(({ kind, says, rich }, at) => {
        const Icon = partLooks[kind];
        return (
          <div key={at} className="flex gap-3 rounded-card border border-line bg-card p-3">
            <Icon size={18} aria-label={partNames[kind]} className="mt-0.5 shrink-0 text-ink-soft" />
            {rich ? (
              <Rich text={rich} className="min-w-0 flex-1 [overflow-wrap:anywhere]" />
            ) : (
              <p className="min-w-0 flex-1 whitespace-pre-line [overflow-wrap:anywhere]">
                {says || (kind === "picture" ? "A picture without a description: describe it before you publish." : "")}
              </p>
            )}
          </div>
        );
      })}
      {page.notes && (
        <div className="flex gap-3 rounded-card bg-slate-wash p-3">
          <StickyNote size={18} aria-hidden className="mt-0.5 shrink-0" />
          <p className="min-w-0 flex-1 whitespace-pre-line">
            <strong>For me:</strong> {page.notes}
          </p>
        </div>
      )}
      {page.left.map((why, at) => (
        <p key={at} className="flex gap-3 text-[14px] text-clay">
          <TriangleAlert size={16} aria-hidden className="mt-0.5 shrink-0" /> Not brought in: {why}
        </p>
      ))}
      {page.parts.length + page.left.length === 0 && !page.notes && (
        <p className="text-ink-soft">Only its title is on this page.</p>
      )}
    </article>
  );
}

/** What she has already becomes a lesson: page by page she sees what comes in and says what becomes of it. */
export function BringInScreen() {
  const router = useRouter();
  const [file, setFile] = useState<File | null>(null);
  const [look, setLook] = useState<FileLook | null>(null);
  const [chosen, setChosen] = useState<readonly Becomes[]>([]);
  const [at, setAt] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  const [made, setMade] = useState(false);
  const [busy, once] = useOnce();
  /** How much of the file has been sent; null: nothing is under way. */
  const [share, setShare] = useState<number | null>(null);
  const stopper = useRef<AbortController | null>(null);
  /** Sends the file and reads what came of it; undefined: it went wrong, or she stopped it, and that is said. */
  const sent = async <Answer,>(what: File, how: { as?: string; into?: number } = {}): Promise<Answer | undefined> => {
    setProblem(null);
    setShare(0);
    stopper.current = new AbortController();
    try {
      const came = await send<Answer>(what, { ...how, onShare: setShare, signal: stopper.current.signal });
      if (came.problem === undefined) return came;
      setProblem(came.problem);
    } catch (error) {
      setProblem(`${error instanceof Stopped ? "Stopped." : "There is no network."} Nothing was brought in.`);
    } finally {
      setShare(null);
    }
    return undefined;
  };
  const choose = (next: File | undefined) =>
    once(async () => {
      setLook(null);
      setFile(next ?? null);
      const came = next && (await sent<FileLook>(next));
      if (!came) return;
      setLook(came);
      setAt(0);
      // What became of its pages the last time is what she would choose again.
      const before = came.before[0]?.choices ?? "";
      setChosen(came.pages.map((_, nth) => becomes[Number(before[nth] ?? 0)] ?? "a step"));
    });
  const digits = () => chosen.map((one) => becomes.indexOf(one)).join("");
  const make = () =>
    once(async () => {
      const came = file && (await sent<{ resource: number }>(file, { as: digits() }));
      if (!came) return;
      // A second press on the way there would make it twice.
      setMade(true);
      router.push(`/adapt/${came.resource}`);
    });
  const update = (into: number) =>
    once(async () => {
      const came = file && (await sent<{ resource: number; changes: number }>(file, { as: digits(), into }));
      if (!came) return;
      if (came.changes === 0) return tell("Nothing in this file has changed since you brought it in.");
      setMade(true);
      router.push(`/adapt/${came.resource}?show=changes`);
    });
  const say = (nth: number, as: Becomes) => setChosen(chosen.with(nth, as));
  const pages = look?.pages ?? [];
  const page = pages[at];
  const steps = chosen.filter((as) => as === "a step").length;
  useKeys({
    j: () => setAt(Math.min(pages.length - 1, at + 1)),
    k: () => setAt(Math.max(0, at - 1)),
    x: () => page && say(at, chosen[at] === "left out" ? "a step" : "left out"),
  });
  return (
    <div className="flex h-full flex-col">
      <header className="flex flex-wrap items-center gap-3 border-b border-line px-5 py-2">
        <h1 className="min-w-0 truncate font-serif text-[22px]">{look ? `Bring in “${look.title}”` : "Bring in"}</h1>
        {look && (
          <p className="numbers text-[13px] text-ink-soft">
            {look.kind}, {pages.length === 1 ? "one page" : `${pages.length} pages`}
          </p>
        )}
        <Link href="/satchel/package" className={`${buttonClasses()} ml-auto`}>
          <PackageOpen size={16} aria-hidden /> My satchel as a file
        </Link>
        <label className="flex items-center gap-2 text-[14px]">
          <FileUp size={16} aria-hidden className="shrink-0" /> {look ? "Another file" : "A file"}
          <input
            type="file"
            // Its name stands in the heading already.
            className={`${fileClasses} ${look ? "w-[6.6rem] overflow-hidden" : ""}`}
            accept=".pptx,.docx,.odt,.pdf,.epub,.png,.jpg,.jpeg,.gif,.webp,.vtt,.html,.htm,.md,.txt,.csv,.xlsx,.xml,.zip,.imscc"
            disabled={busy}
            onChange={(event) => void choose(event.target.files?.[0])}
          />
        </label>
        {look && (
          <Button look="main" disabled={busy || made || steps === 0} onClick={() => void make()}>
            <Layers size={16} aria-hidden />{" "}
            {made ? "One moment …" : steps === 1 ? "Make one step" : `Make ${steps} steps`}
          </Button>
        )}
      </header>
      {share !== null && (
        <p className="flex items-center gap-3 border-b border-line px-5 py-2" role="status">
          {formatSent(share)}
          <Button size="small" onClick={() => stopper.current?.abort()}>
            Stop
          </Button>
        </p>
      )}
      {look && look.before.length > 0 && (
        <div className="flex flex-wrap items-center gap-x-3 gap-y-2 border-b border-line bg-brass-wash px-5 py-2">
          <p className="min-w-0 flex-1">
            You have brought in a file with this name before. See what has changed since, and choose what to take into:
          </p>
          <ul className="grid gap-2">
            {look.before.map(({ resource, title }) => (
              <li key={resource} className="flex items-center justify-end gap-3">
                <span className="max-w-60 truncate font-semibold" title={title}>
                  {title}
                </span>
                <Button
                  look="brass"
                  aria-label={`See what changed in “${title}”`}
                  disabled={busy || made || steps === 0}
                  onClick={() => void update(resource)}
                >
                  <GitCompareArrows size={16} aria-hidden /> See what changed
                </Button>
              </li>
            ))}
          </ul>
        </div>
      )}
      {problem && (
        <Notice tone="warning" className="m-5">
          {problem}
        </Notice>
      )}
      {!look && !problem && (
        <Empty title="What do you already have?">
          Slides (.pptx), a document (.docx, .odt, .pdf), a book (.epub), a web page, Markdown, plain text, a picture,
          or questions (.csv, .xlsx, QTI, a Common Cartridge): 100 MB and 200 pages at most. You see page by page what
          comes in, and say what becomes of each page. Choices lettered A, B, C become a question. A table of questions
          has a row for each, with “question”, “A”, “B” … and “answer” above.
        </Empty>
      )}
      {look && page && (
        <div className="grid min-h-0 flex-1 grid-cols-[340px_minmax(0,1fr)] max-md:grid-cols-1 max-md:overflow-auto">
          <section aria-label="Pages" tabIndex={0} className="min-h-0 overflow-auto border-r border-line bg-shade/40">
            <p className="px-4 py-2 text-[13px] text-ink-soft">
              <Key>j</Key> <Key>k</Key> go through the pages, <Key>x</Key> leaves one out
            </p>
            <ol>
              {pages.map((one, nth) => (
                <li
                  key={nth}
                  className={clsx(
                    "flex items-center gap-2 border-b border-line px-4 py-1.5",
                    nth === at ? "border-l-4 border-l-green bg-card" : "border-l-4 border-l-transparent",
                    chosen[nth] === "left out" && "text-ink-soft",
                  )}
                >
                  <button
                    type="button"
                    aria-current={nth === at ? "page" : undefined}
                    className="flex min-w-0 flex-1 items-baseline gap-2 text-left"
                    onClick={() => setAt(nth)}
                  >
                    <span className="numbers w-6 shrink-0 text-[13px] text-ink-soft">{nth + 1}</span>
                    <span className="truncate">{one.title || beginningOf(one)}</span>
                    {one.left.length > 0 && (
                      <TriangleAlert size={13} aria-label="not all of it comes in" className="shrink-0 text-clay" />
                    )}
                  </button>
                  <select
                    aria-label={`Page ${nth + 1} becomes`}
                    className={`${inputClasses} !w-36 !py-0.5 text-[13px]`}
                    value={chosen[nth]}
                    onChange={(event) => say(nth, event.target.value as Becomes)}
                  >
                    {becomes.map((as) => (
                      <option key={as}>{as}</option>
                    ))}
                  </select>
                </li>
              ))}
            </ol>
          </section>
          <section
            aria-label="As it is in the file"
            tabIndex={0}
            className="flex min-h-0 flex-wrap gap-6 overflow-auto p-6"
          >
            {file && /\.pdf$/i.test(file.name) && <PdfPage file={file} nth={at + 1} />}
            <Page page={page} nth={at + 1} />
          </section>
        </div>
      )}
    </div>
  );
}
