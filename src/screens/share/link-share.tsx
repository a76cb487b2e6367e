"use client";
import { DateInput } from "@/screens/when/typed-input";
import { Link2 } from "lucide-react";
import { useEffect, useState } from "react";
import { Controller } from "react-hook-form";
import { TypedLink } from "@/core/sharing/link";
import type { LinkMade } from "@/data/share/links";
import { endLink, lookAtLinks, makeLink } from "@/screens/acts/link";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { useCheckedForm } from "@/ui/checked-form";
import { Field } from "@/ui/field";
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
  const [made, setMade] = useState<string | null>(null);
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
  const form = useCheckedForm(TypedLink, { way: "copy", teacherPart: true, until: "" }, async (typed) => {
    const outcome = await makeLink({ ...typed, resources: ids, name });
    if (!outcome.ok) return outcome;
    setMade(outcome.value.address);
    again();
    done("The link is ready.", outcome.value.event, {
      onUndone: () => {
        setMade(null);
        again();
      },
    });
  });
  const { control } = form;
  const end = (link: number) =>
    start(async () => {
      const outcome = await endLink({ link });
      if (!outcome.ok) return tellProblem(outcome.problem);
      setMade(null);
      again();
      done("The link is ended. Copies people made stay theirs.", outcome.value.event, { onUndone: again });
    });
  return (
    <form aria-label="Share by link" noValidate onSubmit={form.submit} className="flex h-full min-h-0 flex-col">
      <div className="grid min-h-0 flex-1 auto-rows-max content-start gap-3 overflow-auto px-5 pt-1 pb-4">
        <p className="text-ink-soft">
          Anyone who has the link can open it, without an account. They see {resources.length === 1 ? "this" : "these"}{" "}
          and nothing else of your school.
        </p>
        {made && <NewLink address={made} />}
        <div>
          <Controller
            control={control}
            name="way"
            render={({ field: { value, onChange } }) => <WayChoice way={value} onWay={onChange} />}
          />
        </div>
        <Controller
          control={control}
          name="teacherPart"
          render={({ field: { value, onChange } }) => (
            <label className="flex items-center gap-2">
              <Checkbox label="With answers and notes for the teacher" checked={value} onChange={onChange} />
              With answers and notes for the teacher
            </label>
          )}
        />
        <Field label="Last day (leave empty to keep it until you end it)" problem={form.problemAt("until")}>
          {(tied) => (
            <Controller
              control={control}
              name="until"
              render={({ field: { value, onChange } }) => <DateInput {...tied} value={value} onChange={onChange} />}
            />
          )}
        </Field>
        {form.notice}
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
        <Button look="main" type="submit" disabled={busy || form.busy}>
          <Link2 size={16} aria-hidden /> {form.busy ? "One moment …" : made ? "Make another link" : "Make a link"}
        </Button>
      </footer>
    </form>
  );
}
