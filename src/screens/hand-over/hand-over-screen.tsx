"use client";
import { CircleSlash2, Columns3, Link2, PackageOpen, Paperclip, Send, TextQuote } from "lucide-react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { formatDay } from "@/core/calendar/format-moment";
import { addDays, momentAt } from "@/core/calendar/school-calendar";
import { pastDues, pastOpenings } from "@/core/hand-over/compare";
import { sendPocketToCourse, sendToCourse } from "@/screens/acts/lti";
import type { HandOverAsked, HandOverView } from "@/server/lti/hand-over";
import { BlankSelect } from "@/ui/blank-select";
import { Button, buttonClasses } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { Key } from "@/ui/key";
import { Notice } from "@/ui/notice";
import { Segmented } from "@/ui/segmented";
import { tell } from "@/ui/toast";
import { useAddress } from "../use-address";
import { useOnce } from "../use-once";
import { HandOverItems, StandingMark } from "./hand-over-items";

const counted = (count: number, one: string, more = `${one}s`) => `${count} ${count === 1 ? one : more}`;

interface HandOverScreenProps {
  /** Null: this class is no course there yet. */
  view: HandOverView | null;
  asked: HandOverAsked;
  /** The pocket that goes, where it is not weeks of the plan. */
  pocket?: { id: number; name: string };
  classes: readonly { id: number; name: string }[];
  zone: string;
  now: Date;
}

/** A fortnight of the plan, or a pocket, as it will arrive at the course site: on the left in topics, on the right item by item with dates. */
export function HandOverScreen({ view, asked, pocket, classes, zone, now }: HandOverScreenProps) {
  const { go, busy: going } = useAddress();
  const router = useRouter();
  const [sending, once] = useOnce();
  const [problem, setProblem] = useState<string | null>(null);
  const [overwrite, setOverwrite] = useState<readonly string[]>([]);
  const [without, setWithout] = useState<readonly string[]>([]);
  const items = view?.items ?? [];
  const goes = (id: string) => {
    const item = items.find((one) => one.id === id)!;
    if (item.dates.isLeftOut || without.includes(id)) return false;
    if (item.compared.standing === "changed there") return overwrite.includes(id);
    return item.compared.standing !== "as it is";
  };
  const chosen = items.filter(({ id }) => goes(id));
  const send = () =>
    once(async () => {
      const said = {
        ...{ class: asked.class, pastDue: asked.pastDue, pastOpening: asked.pastOpening },
        items: chosen.map(({ id }) => id),
        overwrite: overwrite.filter((id) => chosen.some((one) => one.id === id)),
      };
      const outcome = pocket
        ? await sendPocketToCourse({ ...said, pocket: pocket.id })
        : await sendToCourse({ ...said, from: asked.from, weeks: asked.weeks });
      setProblem(outcome.ok ? null : outcome.problem);
      if (!outcome.ok) return;
      setOverwrite([]);
      tell(`${counted(outcome.value.sent, "thing is", "things are")} in the course now.`);
      router.refresh();
    });
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.key !== "Enter" || !(event.ctrlKey || event.metaKey) || chosen.length === 0) return;
      event.preventDefault();
      void send();
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  });
  const mondays = [-7, 0, 7, 14].map((days) => addDays(asked.from, days));
  const dayOf = (date: string) => formatDay(momentAt(date, "12:00", zone), zone, now);
  const file = pocket
    ? `/save/pocket/${pocket.id}`
    : `/save/plan/${asked.class}?from=${asked.from}&weeks=${asked.weeks}`;
  const topics = [...new Set(items.map(({ topic }) => topic))];
  const past = items.filter(({ dates }) => dates.was.due !== null).length;
  const open = items.filter(({ dates }) => dates.was.opens !== null && dates.was.due === null).length;
  const travels = items.filter(({ id }) => goes(id));
  return (
    <div className="flex h-full flex-col">
      <header className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-2 border-b border-line px-5 py-3">
        <h1 className="min-w-0 flex-1 font-serif text-[22px] leading-snug">
          Hand over{" "}
          {pocket ? (
            <>“{pocket.name}” for </>
          ) : (
            <>
              <BlankSelect
                name="How many weeks"
                value={String(asked.weeks)}
                options={[...new Set([1, 2, 3, 4, 6, asked.weeks])]
                  .toSorted((one, other) => one - other)
                  .map((weeks) => ({
                    value: String(weeks),
                    text: weeks === 1 ? "one week" : `${weeks} weeks`,
                  }))}
                onChange={(weeks) => go({ weeks })}
              />{" "}
              from{" "}
              <BlankSelect
                name="From"
                value={asked.from}
                options={mondays.map((date) => ({ value: date, text: dayOf(date) }))}
                onChange={(from) => go({ from })}
              />{" "}
              of{" "}
            </>
          )}
          <BlankSelect
            name="Class"
            value={String(asked.class)}
            options={classes.map(({ id, name }) => ({ value: String(id), text: name }))}
            onChange={(id) =>
              router.push(
                pocket
                  ? `/hand-over/${id}/pocket/${pocket.id}`
                  : `/hand-over/${id}?from=${asked.from}&weeks=${asked.weeks}`,
              )
            }
          />{" "}
          to{" "}
          <BlankSelect
            name="To"
            value="course"
            options={[
              { value: "course", text: view?.course.systemName ?? "the course site" },
              { value: "file", text: "a file" },
            ]}
            onChange={(to) => to === "file" && router.push(file)}
          />
        </h1>
        {view && (
          <Button look="main" disabled={sending || chosen.length === 0} onClick={() => void send()}>
            <Send size={16} aria-hidden /> {sending ? "Sending …" : `Send ${chosen.length}`} <Key>ctrl enter</Key>
          </Button>
        )}
      </header>
      {!view ? (
        <Empty title="This class is not linked to a course yet">
          <p>Open your course on the course site and press Golden Satchel there. It asks once which class it is.</p>
          <Link href={file} className={buttonClasses()}>
            <PackageOpen size={16} aria-hidden /> Save as a file instead
          </Link>
        </Empty>
      ) : (
        <div className="grid min-h-0 flex-1 grid-cols-[minmax(15rem,24rem)_1fr]" aria-busy={going}>
          <section aria-labelledby="arrives" className="overflow-auto border-r border-line p-5" tabIndex={0}>
            <h2 id="arrives" className="font-serif text-[18px]">
              How it arrives
            </h2>
            <p className="mb-3 text-[13px] text-ink-soft">
              In “{view.course.title}”: {pocket ? "as it is in the pocket" : "materials first, then by date"}
            </p>
            {topics.map((topic) => (
              <div key={topic} className="mb-3 rounded-card border border-line bg-card">
                <h3 className="border-b border-line bg-shade px-3 py-1.5 font-semibold">{topic}</h3>
                <ul>
                  {items
                    .filter((item) => item.topic === topic && !item.dates.isLeftOut)
                    .map((item) => (
                      <li key={item.id} className="flex items-baseline gap-2 px-3 py-1 text-[14px]">
                        <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">{item.title}</span>
                        <span className="shrink-0 text-[13px] text-ink-soft">
                          {item.dates.due ? formatDay(new Date(item.dates.due), zone, now) : "no date"}
                        </span>
                        <StandingMark standing={item.compared.standing} short />
                      </li>
                    ))}
                </ul>
              </div>
            ))}
            <h2 className="mt-5 font-serif text-[18px]">What goes along</h2>
            <ul className="mt-1 grid gap-1 text-[14px] [&_svg]:shrink-0">
              <li className="flex items-center gap-2">
                <TextQuote size={15} aria-hidden /> pages with instructions and described pictures: {travels.length}
              </li>
              <li className="flex items-center gap-2">
                <Paperclip size={15} aria-hidden /> files, each once:{" "}
                {new Set(travels.flatMap(({ files }) => files)).size}
              </li>
              <li className="flex items-center gap-2">
                <Link2 size={15} aria-hidden /> links that need no second password:{" "}
                {travels.filter(({ isMaterial }) => !isMaterial).length}
              </li>
              <li className="flex items-center gap-2">
                <Columns3 size={15} aria-hidden /> columns for marks:{" "}
                {view.course.keepsMarks ? travels.filter(({ marks }) => marks !== null).length : 0}
              </li>
              <li className="flex items-center gap-2">
                <CircleSlash2 size={15} aria-hidden /> never: answers, your notes, anything about a child
              </li>
            </ul>
            {!view.course.takesPages && (
              <Notice className="mt-3 text-[14px]">
                {view.course.systemName} cannot receive pages directly, only columns for marks. For the rest,{" "}
                <Link href={file} className="font-semibold underline">
                  save a Common Cartridge
                </Link>{" "}
                and import it there.
              </Notice>
            )}
            {view.left.map((reason, at) => (
              <p key={at} className="mt-2 text-[13px] text-ink-soft">
                {reason}
              </p>
            ))}
          </section>
          <section aria-labelledby="items" className="flex min-h-0 flex-col">
            <div className="flex flex-wrap items-baseline gap-3 px-5 pt-4 pb-2">
              <h2 id="items" className="font-serif text-[18px]">
                Item by item
              </h2>
              <p className="flex-1 text-[13px] text-ink-soft">
                {view.last ? `last sent ${formatDay(view.last.at, zone, now)}: ${view.last.count}` : "nothing sent yet"}
              </p>
              {view.waiting.count > 0 && (
                <p className="text-[13px] text-clay">
                  {counted(view.waiting.count, "mark", "marks")} not sent yet: {view.waiting.problem}
                </p>
              )}
            </div>
            {(problem ?? view.problem) && (
              <Notice tone="warning" className="mx-5 mb-2">
                {problem ?? view.problem}
              </Notice>
            )}
            {items.length === 0 ? (
              <Empty title={pocket ? "Nothing in this pocket can go" : "Nothing in these weeks"}>
                <p>
                  {pocket ? "See on the left what cannot go, and why." : "Choose other weeks or another class above."}
                </p>
              </Empty>
            ) : (
              <HandOverItems
                items={items}
                goes={goes}
                zone={zone}
                now={now}
                onToggle={(id, on) => setWithout(on ? without.filter((one) => one !== id) : [...without, id])}
                onAnswer={(id, mine) => setOverwrite(mine ? [...overwrite, id] : overwrite.filter((one) => one !== id))}
                overwrite={overwrite}
              />
            )}
            {(past > 0 || open > 0 || asked.pastDue !== "no date" || asked.pastOpening !== "on arrival") && (
              <div className="flex shrink-0 flex-wrap items-center gap-x-6 gap-y-2 border-t border-line px-5 py-3 text-[14px]">
                {(past > 0 || asked.pastDue !== "no date") && (
                  <span className="flex items-center gap-2">
                    Already past due ({past}):
                    <Segmented
                      label="What is done about dates that are past"
                      value={asked.pastDue}
                      options={pastDues.map((value) => ({ value, text: value }))}
                      onChange={(due) => go({ due })}
                    />
                  </span>
                )}
                <span className="flex items-center gap-2">
                  Already open ({open}):
                  <Segmented
                    label="What is done about work that is open already"
                    value={asked.pastOpening}
                    options={pastOpenings.map((value) => ({
                      value,
                      text: value === "keep" ? "keep the date" : "open at once",
                    }))}
                    onChange={(to) => go({ open: to })}
                  />
                </span>
              </div>
            )}
          </section>
        </div>
      )}
    </div>
  );
}
