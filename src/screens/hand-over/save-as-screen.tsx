"use client";
import { Download, FileText, PencilLine, Send } from "lucide-react";
import { Link } from "@/ui/link";
import { fileKinds, savedName, type FileKind } from "@/core/hand-over/file-kinds";
import type { OutgoingPreview } from "@/server/hand-over/preview";
import { Empty } from "@/ui/empty";
import { Button, buttonClasses } from "@/ui/button";
import { Notice } from "@/ui/notice";
import { saveFile } from "../results/pdf-button";
import { useOnce } from "../use-once";

const counted = (count: number, one: string, more = `${one}s`) => `${count} ${count === 1 ? one : more}`;

/** Fetches a file and saves it; what goes wrong is said, and a second press waits for the first. */
function SaveButton({ kind, address, name }: { kind: FileKind; address: string; name: string }) {
  const [busy, once] = useOnce();
  return (
    <Button
      size="small"
      aria-label={`Download ${kind.name}`}
      disabled={busy}
      onClick={() => void once(() => saveFile(address, name))}
    >
      <Download size={15} aria-hidden /> {busy ? "One moment …" : "Download"}
    </Button>
  );
}

/** A resource, a pocket or a plan as a file: what goes on the left, what it can be saved as on the right. */
export function SaveAsScreen({
  preview,
  address,
  course,
}: {
  preview: OutgoingPreview;
  /** Up to `as=`. */
  address: string;
  /** Where it can go straight to a course. */
  course?: { address: string; name: string } | null;
}) {
  const resources = preview.topics.flatMap((topic) => topic.resources);
  return (
    <div className="flex h-full flex-col">
      <header className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-2 border-b border-line px-5 py-3">
        <h1 className="min-w-0 flex-1 font-serif text-[22px] [overflow-wrap:anywhere]">
          Save “{preview.title}” as a file
        </h1>
        {course && (
          <Link href={course.address} className={buttonClasses()}>
            <Send size={16} aria-hidden /> Hand over to {course.name}
          </Link>
        )}
      </header>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(15rem,24rem)_1fr]">
        <section aria-labelledby="goes" className="overflow-auto border-r border-line p-5" tabIndex={0}>
          <h2 id="goes" className="font-serif text-[18px]">
            What goes
          </h2>
          <p className="mb-3 text-[13px] text-ink-soft">
            {counted(resources.length, "resource")}, {counted(preview.files, "file")}
          </p>
          {preview.topics.map((topic) => (
            <div key={topic.title} className="mb-3 rounded-card border border-line bg-card">
              <h3 className="border-b border-line bg-shade px-3 py-1.5 font-semibold [overflow-wrap:anywhere]">
                {topic.title}
              </h3>
              <ul>
                {topic.resources.map(({ id, title, isMaterial, questions }) => (
                  <li key={id} className="flex items-baseline gap-2 px-3 py-1 text-[14px]">
                    {isMaterial ? (
                      <FileText size={14} aria-hidden className="shrink-0 self-center" />
                    ) : (
                      <PencilLine size={14} aria-hidden className="shrink-0 self-center" />
                    )}
                    <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">{title}</span>
                    <span className="shrink-0 text-[13px] text-ink-soft">
                      {questions > 0 ? counted(questions, "question") : "to read"}
                    </span>
                  </li>
                ))}
              </ul>
            </div>
          ))}
          {preview.left.length > 0 && (
            <Notice className="text-[14px]">
              <p className="font-semibold">Not in the file</p>
              <ul>
                {preview.left.map((reason, at) => (
                  <li key={at}>{reason}</li>
                ))}
              </ul>
            </Notice>
          )}
        </section>
        <div className="overflow-auto p-5">
          {resources.length === 0 ? (
            <Empty title="Nothing to save">
              {preview.left.length > 0 ? "See on the left why." : "There is nothing in it yet."}
            </Empty>
          ) : (
            <div className="grid max-w-3xl gap-6">
              {fileKinds.map(({ title, kinds }) => (
                <section key={title} aria-label={title}>
                  <h2 className="mb-1 font-serif text-[18px]">{title}</h2>
                  <ul className="rounded-card border border-line bg-card">
                    {kinds.map((kind) => (
                      <li
                        key={kind.id}
                        className="flex items-center gap-4 border-b border-line px-4 py-2 last:border-0"
                      >
                        <span className="min-w-0 flex-1">
                          <span className="font-semibold">{kind.name}</span>
                          <span className="block text-[14px] text-ink-soft">{kind.use}</span>
                        </span>
                        <SaveButton
                          kind={kind}
                          address={`${address}as=${kind.id}`}
                          name={`${savedName(preview.title)}.${kind.holdsAll || resources.length === 1 ? kind.ending : "zip"}`}
                        />
                      </li>
                    ))}
                  </ul>
                  {title === "For another system" && preview.changes.length > 0 && (
                    <ul className="mt-2 text-[14px] text-ink-soft" aria-label="What changes">
                      {preview.changes.map((change) => (
                        <li key={change}>{change}</li>
                      ))}
                    </ul>
                  )}
                </section>
              ))}
              <p className="text-[14px] text-ink-soft">
                Your notes go only into slides and what is “with answers”. Nothing about single students goes into any
                of these files.
              </p>
            </div>
          )}
        </div>
      </div>
    </div>
  );
}
