"use client";
import { useEffect, useRef, useState } from "react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { formatMoment } from "@/core/calendar/format-moment";
import { readByPerson } from "@/core/question/mark";
import type { Correction } from "@/core/results/correction";
import type { Change, Effect } from "@/core/results/effect";
import type { Item } from "@/core/results/items";
import type { KeptCorrection } from "@/data/results/corrections";
import { correctQuestion, lookAtCorrection, takeCorrectionBack } from "@/screens/acts/results";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { inputClasses } from "@/ui/field";
import { Key } from "@/ui/key";
import { useKeys } from "@/ui/keys";
import { tell } from "@/ui/toast";
import { NumberBox } from "../adapt/editors/number-box";
import { useOnce } from "../use-once";

const formatCorrection = (correction: Correction): string =>
  correction.kind === "void"
    ? "It is left out."
    : correction.kind === "accept"
      ? `“${correction.said}” is right too.`
      : `It is worth ${correction.marks === 1 ? "1 mark" : `${correction.marks} marks`}.`;

/** What became of her own version. */
const formatFixed = {
  published: "Your version is corrected for next time.",
  already: "Your version says so already.",
  "in draft": "It is corrected in your draft too: publish that when you are ready.",
  "by hand": "Your version is not changed: this kind of question needs you to change it in the editor.",
} as const;

const children = (count: number) => (count === 1 ? "One child" : `${count} children`);
const named = (changes: readonly Change[]) => changes.map(({ student }) => student.name.split(" ")[0]).join(", ");

function Changes({
  changes,
  one,
  many,
  none,
}: {
  changes: readonly Change[];
  one: string;
  many: string;
  none: string;
}) {
  if (changes.length === 0) return <>{none} </>;
  return (
    <>
      <strong>
        {children(changes.length)} {changes.length === 1 ? one : many} marks:
      </strong>{" "}
      {named(changes)}.{" "}
    </>
  );
}

function WhatItDoes({ effect }: { effect: Effect }) {
  const { gain, lose, outOf } = effect;
  return (
    <p className="border-l-3 border-green pl-3 text-[13px]" role="status">
      <Changes changes={gain} one="gains" many="gain" none="Nobody gains marks." />
      <Changes changes={lose} one="loses" many="lose" none="Nobody loses any." />
      {outOf !== null && `The total is then ${outOf} marks.`}
    </p>
  );
}

/** Corrects a question after it was answered: who gains and who loses is seen first, and it can be taken back. */
export function MendQuestion({
  assignment,
  own,
  item,
  corrections,
  zone,
  now,
}: {
  assignment: number;
  /** The resource, where it is her own version. */
  own: number | null;
  item: Item;
  /** Those of this question that stand. */
  corrections: readonly KeptCorrection[];
  zone: string;
  now: Date;
}) {
  const wrong = item.answers.filter(({ right, said, students }) => !right && said !== "" && students.length > 0);
  // What the strongest chose most is what most likely is right as well.
  const likely = [...wrong].sort((one, other) => (other.stronger ?? 0) - (one.stronger ?? 0))[0];
  const [kind, setKind] = useState<Correction["kind"] | null>(null);
  const [said, setSaid] = useState(likely?.said ?? "");
  const [marks, setMarks] = useState(item.question.marks);
  const [effect, setEffect] = useState<{ of: string; effect: Effect } | null>(null);
  const [nextTime, setNextTime] = useState(true);
  const [busy, once] = useOnce();
  const router = useRouter();
  const foot = useRef<HTMLDivElement>(null);
  const correction: Correction | null =
    kind === "void" ? { kind } : kind === "accept" ? { kind, said } : kind === "marks" ? { kind, marks } : null;
  const asked = correction && JSON.stringify(correction);
  useEffect(() => {
    if (!asked) return;
    let left = false;
    const wanted = JSON.parse(asked) as Correction;
    void lookAtCorrection({ assignment, question: item.id, correction: wanted }).then((outcome) => {
      if (outcome.ok && !left) setEffect({ of: asked, effect: outcome.value });
    });
    return () => {
      left = true;
    };
  }, [assignment, item.id, asked]);

  const seen = effect !== null && effect.of === asked;

  // What it does, and the button, come into sight together.
  useEffect(() => {
    if (seen) foot.current?.scrollIntoView({ block: "nearest" });
  }, [seen, asked]);

  const takeBack = async (id: number) => {
    const outcome = await takeCorrectionBack({ assignment, correction: id });
    if (!outcome.ok) return;
    router.refresh();
    if (outcome.value.versionToo) tell("Your version is as it was, too.");
  };
  const mend = () =>
    once(async () => {
      // Who gains and who loses is seen before.
      if (!correction || !seen) return;
      const outcome = await correctQuestion({
        ...{ assignment, question: item.id, correction, nextTime: own !== null && nextTime },
      });
      if (!outcome.ok) return;
      setKind(null);
      router.refresh();
      tell(
        `Question ${item.nth} is corrected, and all marks are worked out again. ${outcome.value.fixed ? formatFixed[outcome.value.fixed] : ""}`.trim(),
        () => void takeBack(outcome.value.correction),
      );
    });
  useKeys({
    m: () => {
      if (correction) return mend();
      setKind(likely ? "accept" : "void");
    },
  });
  if (readByPerson(item.question.type)) return null;
  const radio = (value: Correction["kind"]) => ({
    ...{ type: "radio" as const, name: "correction", checked: kind === value, onChange: () => setKind(value) },
    className: "h-4 w-4 accent-[var(--green)]",
  });
  return (
    <section aria-label="Correct it" className="mt-5 grid gap-2 border-t border-line pt-3">
      <h3 className="font-semibold">Correct it for these {item.asked} children</h3>
      {corrections.map(({ id, correction: stands, by, at }) => (
        <p key={id} className="flex items-start gap-2 rounded-card bg-shade px-3 py-2 text-[13px]">
          <span className="flex-1">
            {formatCorrection(stands)}{" "}
            <span className="text-ink-soft">
              {by}, {formatMoment(at, zone, now)}
            </span>
          </span>
          <Button size="small" onClick={() => void takeBack(id)}>
            Take back
          </Button>
        </p>
      ))}
      {wrong.length > 0 && (
        <div className="flex items-center gap-2">
          <label className="flex items-center gap-2 whitespace-nowrap">
            <input {...radio("accept")} /> also right:
          </label>
          <select
            aria-label="The answer that is right too"
            className={`${inputClasses} min-w-0 flex-1`}
            value={said}
            onChange={(event) => {
              setSaid(event.target.value);
              setKind("accept");
            }}
          >
            {wrong.map((one) => (
              <option key={one.said} value={one.said}>
                {one.said}
              </option>
            ))}
          </select>
        </div>
      )}
      <label className="flex items-center gap-2">
        <input {...radio("void")} /> leave it out for everyone
      </label>
      <div className="flex items-center gap-2">
        <label className="flex items-center gap-2">
          <input {...radio("marks")} /> change its marks to
        </label>
        <NumberBox
          aria-label="Its marks"
          least={0.5}
          most={100}
          className="!w-20"
          value={marks}
          onNumber={(next) => {
            setMarks(next);
            setKind("marks");
          }}
        />
      </div>
      {correction && (seen ? <WhatItDoes effect={effect.effect} /> : <p className="text-[13px]">Working it out …</p>)}
      {own !== null && (
        <label className="flex items-center gap-2">
          <Checkbox label="Correct my version too, for next time" checked={nextTime} onChange={setNextTime} />
          <span className="flex-1">correct my version too, for next time</span>
          <Link href={`/adapt/${own}`} className="text-[13px] underline">
            Open it
          </Link>
        </label>
      )}
      <Button look="main" className="justify-self-end" disabled={busy || !correction || !seen} onClick={mend}>
        Correct it <Key>m</Key>
      </Button>
      <div ref={foot} />
    </section>
  );
}
