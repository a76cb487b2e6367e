"use client";
import { useRef, useState } from "react";
import { useDone } from "@/screens/use-done";
import type { RosterEffect } from "@/server/office/school-roster";
import { Button } from "@/ui/button";
import { Notice } from "@/ui/notice";
import { postFile, formatSent } from "../media/post-file";
import { ChooseSchool, RosterEffectBox, rosterSaid } from "./roster-effect";

/** A roster of the whole school: a OneRoster zip or a table; looked at first, then brought in whole. */
export function RosterCard() {
  const [file, setFile] = useState<File | null>(null);
  const [seen, setSeen] = useState<RosterEffect | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [share, setShare] = useState(0);
  const input = useRef<HTMLInputElement>(null);
  const formatDone = useDone();
  const [schools, setSchools] = useState<RosterEffect["schools"]>([]);
  const [school, setSchool] = useState<string | null>(null);
  const send = async (chosen: File, apply: boolean, of: string | null = school) => {
    setBusy(true);
    setShare(0);
    setProblem(null);
    try {
      const about = new URLSearchParams({
        name: chosen.name,
        ...(apply && { apply: "1" }),
        ...(of !== null && { school: of }),
      });
      const answer = await postFile<{ problem: string } | RosterEffect>(`/office/roster?${about}`, chosen, setShare);
      if ("problem" in answer) {
        setSeen(null);
        setProblem(answer.problem);
      } else if (apply) {
        setFile(null);
        setSeen(null);
        setSchools([]);
        formatDone(rosterSaid(answer), answer.event);
      } else {
        setSeen(answer);
        // Asked once: with one of them chosen the answer is about that one.
        if (answer.schools.length > 0) setSchools(answer.schools);
      }
    } catch {
      setProblem("No connection: nothing was changed.");
    } finally {
      setBusy(false);
    }
  };
  return (
    <section aria-labelledby="school-roster" className="rounded-card border border-line bg-card p-5">
      <h2 id="school-roster" className="font-semibold">
        Roster of the school
      </h2>
      <p className="mt-1 text-ink-soft">
        A OneRoster zip (1.1 or 1.2), or a table with names, grade and class. You see what would change before anything
        does; the same file again changes nothing.
      </p>
      <div className="mt-3 flex gap-2">
        <Button disabled={busy} onClick={() => input.current?.click()}>
          {busy ? formatSent(share) : "Choose a file …"}
        </Button>
        <input
          ref={input}
          type="file"
          accept=".zip,.csv,.tsv,.txt"
          className="hidden"
          aria-label="Roster file"
          onChange={(event) => {
            const [chosen] = event.target.files ?? [];
            if (chosen) {
              setFile(chosen);
              setSchools([]);
              setSchool(null);
              void send(chosen, false, null);
            }
            event.target.value = "";
          }}
        />
      </div>
      {problem && (
        <Notice tone="warning" className="mt-3">
          {problem}
        </Notice>
      )}
      {file && schools.length > 0 && (
        <ChooseSchool
          schools={schools}
          value={school}
          label={`This file has ${schools.length} schools. Which one is yours?`}
          onChoose={(chosen) => {
            setSchool(chosen);
            void send(file, false, chosen);
          }}
        />
      )}
      {seen && file && seen.schools.length === 0 && (
        <RosterEffectBox
          name={file.name}
          seen={seen}
          busy={busy}
          onImport={() => void send(file, true)}
          onCancel={() => {
            setSeen(null);
            setSchools([]);
          }}
        />
      )}
    </section>
  );
}
