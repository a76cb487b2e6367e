"use client";
import { Gift, Users } from "lucide-react";
import { useEffect, useState } from "react";
import { called } from "@/core/people/called";
import { giveToColleagues, lookAtGiven, takeBackGiven } from "@/screens/acts/give";
import { Button } from "@/ui/button";
import { inputClasses, TextInput } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { tellProblem } from "@/ui/toast";
import type { ShareWay } from "@/core/sharing/link";
import { useDone } from "../use-done";
import { useOnce } from "../use-once";
import { WayChoice } from "./way-choice";

type Looked = Extract<Awaited<ReturnType<typeof lookAtGiven>>, { ok: true }>["value"];

/** Gives her things to named colleagues: chosen by name, with a line of text; and says who has them. */
export function PeopleShare({ resources, onDone }: { resources: readonly { id: number }[]; onDone: () => void }) {
  const key = resources.map(({ id }) => id).join();
  const ids = resources.map(({ id }) => id);
  const [looked, setLooked] = useState<Looked | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [words, setWords] = useState("");
  const [chosen, setChosen] = useState<readonly number[]>([]);
  const [note, setNote] = useState("");
  const [way, setWay] = useState<ShareWay>("copy");
  const [times, setTimes] = useState(0);
  const [busy, start] = useOnce();
  const done = useDone();
  useEffect(() => {
    let gone = false;
    void lookAtGiven({ resources: key.split(",").map(Number) }).then((outcome) => {
      if (gone) return;
      if (outcome.ok) setLooked(outcome.value);
      else setProblem(outcome.problem);
    });
    return () => {
      gone = true;
    };
  }, [key, times]);
  const again = () => setTimes((before) => before + 1);
  if (problem)
    return (
      <Notice tone="warning" className="m-5">
        {problem}
      </Notice>
    );
  if (!looked) return <p className="p-5 text-ink-soft">Finding your colleagues …</p>;
  const fitting = called(looked.colleagues, words);
  const shown = fitting.slice(0, 40);
  const toggle = (id: number) => setChosen(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id]);
  const give = () =>
    start(async () => {
      const outcome = await giveToColleagues({ resources: ids, people: [...chosen], note, way });
      if (!outcome.ok) return tellProblem(outcome.problem);
      const names = looked.colleagues.filter(({ id }) => chosen.includes(id)).map(({ name }) => name);
      done(
        `Given to ${names.slice(0, 3).join(", ")}${names.length > 3 ? ` and ${names.length - 3} more` : ""}.`,
        outcome.value.event,
        { onUndone: again },
      );
      onDone();
    });
  const takeBack = (share: number, name: string) =>
    start(async () => {
      const outcome = await takeBackGiven({ resources: ids, shares: [share] });
      if (!outcome.ok) return tellProblem(outcome.problem);
      done(`Taken back from ${name}. Copies they made stay theirs.`, outcome.value.event, { onUndone: again });
      again();
    });
  return (
    <section aria-label="Give to colleagues" className="flex h-full min-h-0 flex-col">
      <div className="grid min-h-0 flex-1 auto-rows-max content-start gap-3 overflow-auto px-5 pt-1 pb-4">
        <TextInput
          autoFocus
          type="search"
          aria-label="Find a colleague"
          placeholder="a name …"
          value={words}
          maxLength={80}
          onChange={(event) => setWords(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== "Enter" || !shown[0]) return;
            event.preventDefault();
            toggle(shown[0].id);
            setWords("");
          }}
        />
        {looked.teams.length > 0 && (
          <div role="group" aria-label="My teams" className="flex flex-wrap gap-1.5">
            {looked.teams.map(({ id, name, people }) => (
              <Button
                key={id}
                size="small"
                aria-pressed={people.every((one) => chosen.includes(one))}
                onClick={() => setChosen([...new Set([...chosen, ...people])])}
              >
                <Users size={14} aria-hidden /> {name}
              </Button>
            ))}
          </div>
        )}
        <fieldset className="max-h-64 overflow-auto rounded-card border border-line bg-card p-2">
          <legend className="px-1 text-[13px] text-ink-soft">Colleagues</legend>
          {shown.map(({ id, name, school }) => (
            <label key={id} className="flex min-h-8 items-center gap-2 rounded-card px-2 hover:bg-shade">
              <input type="checkbox" checked={chosen.includes(id)} onChange={() => toggle(id)} />
              <span>{name}</span>
              <span className="text-[13px] text-ink-soft">{school}</span>
            </label>
          ))}
          {fitting.length > shown.length && (
            <p className="px-2 text-[13px] text-ink-soft">And {fitting.length - shown.length} more: type a name.</p>
          )}
          {fitting.length === 0 && <p className="px-2 text-ink-soft">No one has that name.</p>}
        </fieldset>
        <label className="grid gap-1 text-[13px]">
          Add a line
          <textarea
            className={inputClasses}
            rows={2}
            maxLength={500}
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
        </label>
        <div>
          <WayChoice way={way} onWay={setWay} />
        </div>
        <p className="text-[13px] text-ink-soft">
          {way === "copy" ? "They can look at it, copy it and assign it." : "They can look at it, and nothing more."}{" "}
          Nothing they do changes yours. They get a message.
        </p>
        {looked.given.length > 0 && (
          <section aria-labelledby="have-it">
            <h2 id="have-it" className="font-semibold">
              They have it
            </h2>
            <ul className="mt-1">
              {looked.given.map(({ id, name, thanked, way: given, byLink }) => (
                <li key={id} className="flex items-center gap-2 border-t border-line py-1.5">
                  <span className="min-w-0 flex-1">
                    {name}
                    {given === "look" && <span className="text-[13px] text-ink-soft"> · to look at</span>}
                    {byLink && <span className="text-[13px] text-ink-soft"> · by a link</span>}
                    {thanked && <span className="text-[13px] text-brass-text"> · says thank you</span>}
                  </span>
                  <Button
                    size="small"
                    disabled={busy}
                    onClick={() => takeBack(id, name)}
                    aria-label={`Take back from ${name}`}
                  >
                    Take back
                  </Button>
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
      <footer className="flex shrink-0 items-center justify-end gap-2 border-t border-line bg-card px-5 py-3">
        <Button onClick={onDone}>Cancel</Button>
        <Button look="main" disabled={busy || chosen.length === 0} onClick={give}>
          <Gift size={16} aria-hidden /> {busy ? "One moment …" : `Give to ${chosen.length || "…"}`}
        </Button>
      </footer>
    </section>
  );
}
