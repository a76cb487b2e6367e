"use client";
import { Download, PackageOpen } from "lucide-react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { PackageLook } from "@/server/package/bring-in";
import { Button, buttonClasses } from "@/ui/button";
import { fileClasses } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { sendFile } from "../send-file";
import { useOnce } from "../use-once";

const ADDRESS = "/satchel/package/file";

const send = <Answer,>(file: File, apply: boolean) =>
  sendFile<Answer>(`${ADDRESS}${apply ? "?apply=1" : ""}`, file, "Nothing was changed.");

const things = (count: number) => (count === 1 ? "one thing" : `${count} things`);

/** Everything of hers as one file, and such a file brought in: on another installation, or after something was lost. */
export function PackageScreen() {
  const router = useRouter();
  const [file, setFile] = useState<File | null>(null);
  const [look, setLook] = useState<PackageLook | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [done, setDone] = useState<string | null>(null);
  const [busy, once] = useOnce();
  const choose = (chosen: File | undefined) =>
    once(async () => {
      setLook(null);
      setProblem(null);
      setDone(null);
      setFile(chosen ?? null);
      if (!chosen) return;
      const came = await send<PackageLook>(chosen, false);
      if ("problem" in came) setProblem(came.problem);
      else setLook(came.answer);
    });
  const bring = () =>
    once(async () => {
      if (!file) return;
      const came = await send<{ resources: number; there: number; pockets: number }>(file, true);
      if ("problem" in came) return setProblem(came.problem);
      const { resources, there } = came.answer;
      setLook(null);
      setDone(
        `${resources === 1 ? "One thing is" : `${things(resources)[0]!.toUpperCase()}${things(resources).slice(1)} are`} in your satchel now.${there > 0 ? ` You already had ${there}.` : ""}`,
      );
      router.refresh();
    });
  const fresh = look?.resources.filter(({ there }) => !there) ?? [];
  return (
    <main className="mx-auto grid h-full w-full max-w-4xl content-start gap-6 overflow-auto px-6 py-6">
      <h1 className="font-serif text-[26px]">My satchel as a file</h1>
      <section aria-labelledby="out" className="grid gap-3 rounded-card border border-line bg-card p-5">
        <h2 id="out" className="font-serif text-[19px]">
          Download everything I made
        </h2>
        <p>
          One file with everything you have made: every revision, drafts, pictures, sounds and films, credits and your
          pockets. It is a zip of plain files with a description, so other programs can read it too. What others shared
          with you and what your students did are not in it.
        </p>
        <a href={ADDRESS} download className={`${buttonClasses("main")} justify-self-start`}>
          <Download size={16} aria-hidden /> Download everything
        </a>
      </section>
      <section aria-labelledby="in" className="grid gap-3 rounded-card border border-line bg-card p-5">
        <h2 id="in" className="font-serif text-[19px]">
          Bring a satchel file in
        </h2>
        <p>
          A file you downloaded here or at another school. You see what is in it first. What you bring in is only yours
          until you share it.
        </p>
        <label className="grid gap-1 text-[14px]">
          The file (zip, 45 MB at most)
          <input
            type="file"
            className={fileClasses}
            accept=".zip,application/zip"
            disabled={busy}
            onChange={(event) => void choose(event.target.files?.[0])}
          />
        </label>
        {busy && <p role="status">One moment …</p>}
        {problem && <Notice tone="warning">{problem}</Notice>}
        {done && (
          <Notice tone="good">
            <span role="status">{done}</span>{" "}
            <Link href="/satchel" className="font-semibold underline">
              To my satchel
            </Link>
          </Notice>
        )}
        {look && (
          <>
            <p>
              Made by {look.by}: {things(look.resources.length)}
              {look.pockets.length > 0 &&
                `, ${look.pockets.length === 1 ? "one pocket" : `${look.pockets.length} pockets`}`}
              {look.files > 0 && `, ${look.files === 1 ? "one file" : `${look.files} files`}`}.
            </p>
            <ul aria-label="In the file" className="max-h-72 overflow-auto border-y border-line" tabIndex={0}>
              {look.resources.map(({ id, title, revisions, draft, there }) => (
                <li key={id} className="flex gap-3 border-b border-line py-1.5 last:border-0">
                  <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">{title}</span>
                  <span className="shrink-0 text-[13px] text-ink-soft">
                    {there
                      ? "you already have it"
                      : [
                          revisions > 0 && (revisions === 1 ? "one revision" : `${revisions} revisions`),
                          draft && "a draft",
                        ]
                          .filter(Boolean)
                          .join(", ")}
                  </span>
                </li>
              ))}
            </ul>
            <Button look="main" className="justify-self-start" disabled={busy || fresh.length === 0} onClick={bring}>
              <PackageOpen size={16} aria-hidden />{" "}
              {fresh.length === 0 ? "You already have all of this" : `Bring ${things(fresh.length)} in`}
            </Button>
          </>
        )}
      </section>
    </main>
  );
}
