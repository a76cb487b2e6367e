"use client";
import { Search } from "lucide-react";
import { useState } from "react";
import { Button } from "@/ui/button";
import { inputClasses } from "@/ui/field";
import { DateInput } from "../when/typed-input";

interface Item {
  id: number;
  title: string;
  author: string;
  minutes: number;
}

/** Her satchel inside a course there: what she ticks is assigned to the class and linked in the course. */
export function ChooseScreen(of: {
  token: string;
  course: string;
  several: boolean;
  classes: readonly { id: number; name: string }[];
  current: number | null;
  due: string;
  items: readonly Item[];
}) {
  const [sought, setSought] = useState("");
  const [chosen, setChosen] = useState<readonly number[]>([]);
  const [due, setDue] = useState(of.due);
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = of.items.filter(
    ({ id, title, author }) =>
      chosen.includes(id) || words.every((word) => `${title} ${author}`.toLowerCase().includes(word)),
  );
  const toggle = (id: number) =>
    setChosen(chosen.includes(id) ? chosen.filter((one) => one !== id) : of.several ? [...chosen, id] : [id]);
  return (
    <main className="mx-auto flex h-dvh max-w-3xl flex-col gap-3 px-6 py-5">
      <h1 className="font-serif text-[24px]">Add from your satchel to “{of.course}”</h1>
      <form method="post" action="/lti/return" className="flex min-h-0 flex-1 flex-col gap-3">
        <input type="hidden" name="for" value={of.token} />
        <input type="hidden" name="due" value={due} />
        <div className="flex flex-wrap items-end gap-4">
          <label className="grid min-w-52 flex-1 gap-1 text-[14px]">
            <span className="flex items-center gap-1">
              <Search size={14} aria-hidden /> Title or author
            </span>
            <input
              type="search"
              value={sought}
              onChange={(event) => setSought(event.target.value)}
              onKeyDown={(event) => {
                if (event.key === "Enter") event.preventDefault();
              }}
              className={inputClasses}
            />
          </label>
          <label className="grid gap-1 text-[14px]">
            For
            <select name="class" defaultValue={of.current ?? of.classes[0]?.id} className={inputClasses}>
              {of.classes.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </label>
          <label className="grid gap-1 text-[14px]">
            Due
            <DateInput value={due} onChange={setDue} />
          </label>
        </div>
        <ul
          className="min-h-0 flex-1 overflow-auto rounded-card border border-line bg-card"
          aria-label="Your satchel"
          tabIndex={0}
        >
          {shown.map(({ id, title, author, minutes }) => (
            <li key={id} className="border-b border-line last:border-0">
              <label className="flex items-center gap-3 px-4 py-2">
                <input
                  type="checkbox"
                  name="resource"
                  value={id}
                  checked={chosen.includes(id)}
                  onChange={() => toggle(id)}
                  className="size-4 accent-green"
                />
                <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">{title}</span>
                <span className="shrink-0 text-[13px] text-ink-soft">
                  {author}, {minutes} min
                </span>
              </label>
            </li>
          ))}
          {shown.length === 0 && <li className="p-4 text-ink-soft">No results.</li>}
        </ul>
        <div className="flex items-center gap-3">
          <Button type="submit" look="main" disabled={chosen.length === 0}>
            {chosen.length <= 1 ? "Add to the course" : `Add ${chosen.length} to the course`}
          </Button>
          <p className="text-[14px] text-ink-soft">It is assigned to the whole class, open now, due at 15:00.</p>
        </div>
      </form>
    </main>
  );
}
