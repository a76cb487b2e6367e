"use client";
import { QrCode } from "lucide-react";
import { useState } from "react";
import { formatLetterDate } from "@/core/results/letter-parts";
import { makeLink } from "@/screens/acts/link";
import { Button } from "@/ui/button";
import { Notice } from "@/ui/notice";
import { Qr } from "../classes/qr";
import { useOnce } from "../use-once";
import type { FamilyWords } from "./family-part";

/** Where a child finds the activity on a screen. */
export interface ChildLink {
  address: string;
  /** The last day it leads there, ISO 8601. */
  until: string;
}

/** Makes an address for the child, without the teacher's part, that ends by itself; it is printed on the sheet. */
export function AddChildLink({
  resource,
  name,
  until,
  onLink,
}: {
  resource: number;
  name: string;
  /** The last day, ISO 8601. */
  until: string;
  onLink: (link: ChildLink) => void;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, once] = useOnce();
  const make = () =>
    once(async () => {
      const outcome = await makeLink({ resources: [resource], name, way: "look", teacherPart: false, until });
      if (outcome.ok) onLink({ address: outcome.value.address, until });
      else setProblem(outcome.problem);
    });
  return (
    <>
      <Button disabled={busy} onClick={make}>
        <QrCode size={16} aria-hidden /> Add a link for the child
      </Button>
      {problem && (
        <Notice tone="warning" className="w-full">
          {problem}
        </Notice>
      )}
    </>
  );
}

/** The address on the sheet, as a picture a camera reads and in letters. */
export function ChildLinkOnPaper({ link, words, language }: { link: ChildLink; words: FamilyWords; language: string }) {
  return (
    <section aria-label={words.onScreen} className="mt-5 flex break-inside-avoid items-center gap-4">
      <Qr text={link.address} label={words.onScreen} className="size-28 shrink-0" />
      <div className="min-w-0">
        <p className="font-bold">{words.onScreen}</p>
        <p>{words.scan.replace("{until}", formatLetterDate(link.until, language))}</p>
        <p className="text-[0.8em] [overflow-wrap:anywhere]">{link.address}</p>
      </div>
    </section>
  );
}
