"use client";
import { Link2 } from "lucide-react";
import { useState } from "react";
import { connectSystem } from "@/screens/acts/lti";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { Notice } from "@/ui/notice";
import { useOnce } from "../use-once";

/** The office agrees to a course site, or does not. */
export function ConnectScreen({ configuration, token }: { configuration: string | null; token: string | null }) {
  const [problem, setProblem] = useState<string | null>(null);
  const [name, setName] = useState<string | null>(null);
  const [busy, once] = useOnce();
  if (!configuration)
    return (
      <main className="grid min-h-dvh place-items-center">
        <Empty title="Nothing to connect">
          <p>Start on the course site: add a tool there, and give it the address of this page.</p>
        </Empty>
      </main>
    );
  const host = new URL(configuration).host;
  const connect = () =>
    once(async () => {
      const outcome = await connectSystem({ configuration, token });
      if (outcome.ok) setName(outcome.value.name);
      else setProblem(outcome.problem);
    });
  return (
    <main className="mx-auto grid min-h-dvh max-w-xl content-center gap-4 px-6">
      <h1 className="font-serif text-[26px]">{name ? `${name} is connected` : `Connect ${host}?`}</h1>
      {name ? (
        <p role="status">You can close this page. Teachers open Golden Satchel once in each course there.</p>
      ) : (
        <>
          <p>
            Students and teachers can then come in from there without a second password. Teachers can send lessons to
            their courses, and marks go back by themselves. Both systems will see names and marks.
          </p>
          {problem && <Notice tone="warning">{problem}</Notice>}
          <Button look="main" className="justify-self-start" disabled={busy} onClick={() => void connect()}>
            <Link2 size={16} aria-hidden /> {busy ? "One moment …" : "Connect"}
          </Button>
        </>
      )}
    </main>
  );
}
