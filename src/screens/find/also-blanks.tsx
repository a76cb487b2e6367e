"use client";
import { Plus } from "lucide-react";
import { useEffect, useState } from "react";
import {
  alsoBlanks,
  chosenIn,
  emptied,
  isFilled,
  needToParameters,
  toggled,
  type AlsoBlank,
  type Need,
} from "@/core/find/need";
import { formatBlank, formatCount, type Names } from "@/core/find/format";
import { Blank, type BlankOption } from "@/ui/blank";
import { Menu, MenuItem } from "@/ui/menu";
import { tellProblem } from "@/ui/toast";

/** How the sentence goes on, and what the blank is called. */
const phrases: Record<AlsoBlank, { lead: string; name: string }> = {
  topic: { lead: "on", name: "Topic" },
  standard: { lead: "covering", name: "Standard" },
  uncovered: { lead: "with standards not covered yet by", name: "Class" },
  undone: { lead: "not assigned yet to", name: "Class" },
  reads: { lead: "with text for", name: "Reading grade" },
  language: { lead: "in", name: "Language" },
  doing: { lead: "where students", name: "What students do" },
  device: { lead: "with", name: "Device" },
  country: { lead: "made for", name: "Country" },
  licence: { lead: "under", name: "Licence" },
  author: { lead: "by", name: "Author or partner" },
  set: { lead: "out of", name: "Set or unit" },
  since: { lead: "new since", name: "Day" },
};

/** @throws Error that says what went wrong */
async function leavesOf(blank: AlsoBlank, others: string, signal: AbortSignal): Promise<BlankOption[]> {
  const response = await fetch(`/find/leaves?blank=${blank}&${others}`, { signal });
  const answer = (await response.json()) as { choices: BlankOption[] } | { problem: string };
  if ("problem" in answer) throw new Error(answer.problem);
  return answer.choices;
}

function CountedBlank({
  blank,
  need,
  names,
  total,
  locale,
  startOpen,
  onChange,
  onClosed,
}: {
  blank: AlsoBlank;
  need: Need;
  names: Names;
  total: number;
  locale: string;
  startOpen: boolean;
  onChange: (need: Need) => void;
  onClosed: () => void;
}) {
  const [options, setOptions] = useState<BlankOption[] | null>(null);
  const [open, setOpen] = useState(startOpen);
  const others = needToParameters(emptied(need, blank)).toString();
  // Counted when it opens, and anew when the other blanks change while it is open.
  useEffect(() => {
    if (!open) return;
    const abort = new AbortController();
    leavesOf(blank, others, abort.signal).then(setOptions, (error: Error) => {
      if (error.name !== "AbortError") tellProblem(error.message);
    });
    return () => abort.abort();
  }, [open, blank, others]);
  const { name } = phrases[blank];
  return (
    <Blank
      name={name}
      text={formatBlank(need, blank, names)}
      filled={isFilled(need, blank)}
      options={() => options}
      chosen={chosenIn(need, blank)}
      several
      total={total}
      say={(n) => formatCount(n, locale)}
      startOpen={startOpen}
      onOpen={() => setOpen(true)}
      onClosed={() => {
        setOpen(false);
        onClosed();
      }}
      onChoose={(value) => onChange(toggled(need, blank, value))}
      onClear={() => onChange(emptied(need, blank))}
    />
  );
}

/** The blanks that are said only when filled, and "and also…" for the others. */
export function AlsoBlanks({
  need,
  names,
  total,
  locale,
  onChange,
}: {
  need: Need;
  names: Names;
  total: number;
  locale: string;
  onChange: (need: Need) => void;
}) {
  const [adding, setAdding] = useState<AlsoBlank | null>(null);
  const said = alsoBlanks.filter((blank) => isFilled(need, blank) || blank === adding);
  const left = alsoBlanks.filter((blank) => !said.includes(blank));
  return (
    <>
      {said.map((blank) => (
        <span key={blank}>
          {", "}
          {phrases[blank].lead}{" "}
          <CountedBlank
            blank={blank}
            need={need}
            names={names}
            total={total}
            locale={locale}
            startOpen={blank === adding}
            onChange={onChange}
            onClosed={() => setAdding(null)}
          />
        </span>
      ))}{" "}
      {left.length > 0 && (
        <span className="inline-flex align-middle font-sans text-[13px]">
          <Menu
            leaveFocus={adding !== null}
            trigger={
              <button
                type="button"
                className="inline-flex h-7 items-center gap-1 rounded-card px-1.5 text-green hover:bg-green-wash"
              >
                <Plus size={14} aria-hidden /> and also…
              </button>
            }
          >
            {left.map((blank) => (
              <MenuItem key={blank} onSelect={() => setAdding(blank)}>
                <span className="text-ink-soft">{phrases[blank].lead}</span> {phrases[blank].name.toLowerCase()}
              </MenuItem>
            ))}
          </Menu>
        </span>
      )}
    </>
  );
}
