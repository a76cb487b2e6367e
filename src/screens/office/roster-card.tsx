"use client";
import { useRef, useState } from "react";
import { useDone } from "@/screens/use-done";
import type { RosterEffect } from "@/server/office/school-roster";
import { Button } from "@/ui/button";
import { inputClasses } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { postFile, formatSent } from "../media/post-file";

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
        formatDone(
          `The roster is in. New students: ${answer.added} · places in classes: ${answer.enrolled} · left: ${answer.left}`,
          answer.event,
        );
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
        <label className="mt-3 block">
          <span className="mb-1 block text-[13px] text-ink-soft">
            This file has {schools.length} schools. Which one is yours?
          </span>
          <select
            className={inputClasses}
            value={school ?? ""}
            onChange={(event) => {
              setSchool(event.target.value);
              void send(file, false, event.target.value);
            }}
          >
            <option value="" disabled>
              Choose …
            </option>
            {schools.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
      )}
      {seen && file && seen.schools.length === 0 && (
        <div className="mt-3 rounded-card border border-line p-3" aria-live="polite">
          <p>
            <strong>{file.name}</strong>: {seen.kind}, {seen.students} students.
          </p>
          <p>
            New students: {seen.added} · changed: {seen.changed} · new classes: {seen.classes} · places in classes:{" "}
            {seen.enrolled} · leaving a class: {seen.left}
          </p>
          {seen.problems.length > 0 && (
            <>
              <p className="mt-2 font-semibold text-clay">{seen.problems.length} skipped, or to do by hand:</p>
              <ul className="max-h-40 overflow-auto text-[13px]">
                {seen.problems.map((text) => (
                  <li key={text}>{text}</li>
                ))}
              </ul>
            </>
          )}
          <div className="mt-3 flex gap-2">
            <Button look="main" disabled={busy || seen.nothing} onClick={() => void send(file, true)}>
              {seen.nothing ? "Nothing to change" : seen.problems.length > 0 ? "Import the rest" : "Import it"}
            </Button>
            <Button
              onClick={() => {
                setSeen(null);
                setSchools([]);
              }}
            >
              Cancel
            </Button>
          </div>
        </div>
      )}
    </section>
  );
}
