"use client";
import { Plus } from "lucide-react";
import { useCallback, useEffect, useState } from "react";
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
import { sayBlank, sayCount, type Names } from "@/core/find/say";
import { Blank, type BlankOption } from "@/ui/blank";
import { Menu, MenuItem } from "@/ui/menu";
import { tellProblem } from "@/ui/toast";

/** How the sentence goes on, and what the blank is called. */
const phrases: Record<AlsoBlank, { lead: string; name: string }> = {
  topic: { lead: "on", name: "Topic" },
  standard: { lead: "covering", name: "Standard" },
  language: { lead: "in", name: "Language" },
  doing: { lead: "where students", name: "What students do" },
  device: { lead: "with", name: "Device" },
  country: { lead: "made for", name: "Country" },
  licence: { lead: "under", name: "Licence" },
  author: { lead: "by", name: "Author or partner" },
  set: { lead: "out of", name: "Set or unit" },
};

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
  const count = useCallback(
    async (signal: AbortSignal) => {
      const response = await fetch(`/find/leaves?blank=${blank}&${others}`, { signal });
      const answer = (await response.json()) as { choices: BlankOption[] } | { problem: string };
      if ("choices" in answer) setOptions(answer.choices);
      else tellProblem(answer.problem);
    },
    [blank, others],
  );
  // Counted anew when the other blanks change while this one is open.
  useEffect(() => {
    if (!open) return;
    const abort = new AbortController();
    count(abort.signal).catch(
      (error: Error) => error.name !== "AbortError" && tellProblem("The counts could not be read."),
    );
    return () => abort.abort();
  }, [open, count]);
  const { name } = phrases[blank];
  return (
    <Blank
      name={name}
      text={sayBlank(need, blank, names)}
      filled={isFilled(need, blank)}
      options={options}
      chosen={chosenIn(need, blank)}
      several
      total={total}
      say={(n) => sayCount(n, locale)}
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
