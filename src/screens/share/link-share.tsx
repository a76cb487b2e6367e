"use client";
import { DateInput } from "@/screens/when/typed-input";
import { Link2 } from "lucide-react";
import { useEffect, useState } from "react";
import type { LinkMade, ShareWay } from "@/data/share/links";
import { endLink, lookAtLinks, makeLink } from "@/screens/acts/link";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Field } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { tellProblem } from "@/ui/toast";
import { NewLink } from "../link/new-link";
import { useDone } from "../use-done";
import { useOnce } from "../use-once";
import { formatOpened } from "../link/format-opened";
import { WayChoice } from "./way-choice";

const dayBefore = (until: Date) => new Date(until.getTime() - 1).toLocaleDateString("en-GB", { dateStyle: "medium" });

/** Shares her things by an address anybody may open who has it, for as long as she likes. */
export function LinkShare({
  resources,
  name,
  onDone,
}: {
  resources: readonly { id: number }[];
  name: string;
  onDone: () => void;
}) {
  const ids = resources.map(({ id }) => id);
  const key = ids.join();
  const [links, setLinks] = useState<LinkMade[] | null>(null);
  const [times, setTimes] = useState(0);
  const [way, setWay] = useState<ShareWay>("copy");
  const [teacherPart, setTeacherPart] = useState(true);
  const [until, setUntil] = useState("");
  const [made, setMade] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useOnce();
  const done = useDone();
  useEffect(() => {
    let gone = false;
    void lookAtLinks({ resources: key.split(",").map(Number) }).then((outcome) => {
      if (!gone && outcome.ok) setLinks(outcome.value);
    });
    return () => {
      gone = true;
    };
  }, [key, times]);
  const again = () => setTimes((before) => before + 1);
  const make = () =>
    start(async () => {
      setProblem(null);
      const outcome = await makeLink({ resources: ids, name, way, teacherPart, until: until || null });
      if (!outcome.ok) return setProblem(outcome.problem);
      setMade(outcome.value.address);
      again();
      done("The link is ready.", outcome.value.event, {
        onUndone: () => {
          setMade(null);
          again();
        },
      });
    });
  const end = (link: number) =>
    start(async () => {
      const outcome = await endLink({ link });
      if (!outcome.ok) return tellProblem(outcome.problem);
      setMade(null);
      again();
      done("The link is ended. Copies people made stay theirs.", outcome.value.event, { onUndone: again });
    });
  return (
    <section aria-label="Share by link" className="flex h-full min-h-0 flex-col">
      <div className="grid min-h-0 flex-1 auto-rows-max content-start gap-3 overflow-auto px-5 pt-1 pb-4">
        <p className="text-ink-soft">
          Anyone who has the link can open it, without an account. They see {resources.length === 1 ? "this" : "these"}{" "}
          and nothing else of your school.
        </p>
        {made && <NewLink address={made} />}
        <div>
          <WayChoice way={way} onWay={setWay} />
        </div>
        <label className="flex items-center gap-2">
          <Checkbox label="With answers and notes for the teacher" checked={teacherPart} onChange={setTeacherPart} />
          With answers and notes for the teacher
        </label>
        <Field label="Last day (leave empty to keep it until you end it)">
          {(control) => <DateInput {...control} value={until} onChange={(value) => setUntil(value)} />}
        </Field>
        {problem && <Notice tone="warning">{problem}</Notice>}
        {links && links.length > 0 && (
          <section aria-labelledby="links-now">
            <h2 id="links-now" className="font-semibold">
              Links that lead here
            </h2>
            <ul className="mt-1">
              {links.map((link) => (
                <li key={link.id} className="flex items-center gap-2 border-t border-line py-1.5">
                  <span className="min-w-0 flex-1">
                    {link.way === "copy" ? "Look and copy" : "Look only"}
                    {link.teacherPart ? "" : ", without answers"}
                    <span className="text-[13px] text-ink-soft">
                      {" "}
                      · {formatOpened(link.opened)} ·{" "}
                      {link.until ? `until ${dayBefore(link.until)}` : "until you end it"}
                    </span>
                  </span>
                  <Button size="small" disabled={busy} onClick={() => end(link.id)}>
                    End it
                  </Button>
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
      <footer className="flex shrink-0 items-center justify-end gap-2 border-t border-line bg-card px-5 py-3">
        <Button onClick={onDone}>{made ? "Done" : "Cancel"}</Button>
        <Button look="main" disabled={busy} onClick={make}>
          <Link2 size={16} aria-hidden /> {busy ? "One moment …" : made ? "Make another link" : "Make a link"}
        </Button>
      </footer>
    </section>
  );
}
