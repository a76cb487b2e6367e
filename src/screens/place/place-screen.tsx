"use client";
import { MapPin } from "lucide-react";
import { useEffect, useMemo, useRef, useState } from "react";
import { changeKinds, type ChangeKind } from "@/core/place/find-changes";
import { applyPlace, placeChanges, tiedTo, type PlaceChange, type UnitChoice } from "@/core/place/place-document";
import { placeOf, places } from "@/core/place/places";
import type { AdaptData } from "@/server/adapt/adapt";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { inputClasses } from "@/ui/field";
import { tell, tellProblem } from "@/ui/toast";
import { DraftHeader } from "../adapt/draft/draft-header";
import { useDraft } from "../adapt/draft/use-draft";
import { ChangeGroup, ChangeLine, whereIn } from "../adapt/change-line";

const kindNames: Readonly<Record<ChangeKind, string>> = {
  money: "Money",
  spelling: "Spelling",
  "school words": "School words",
  paper: "Paper",
  dates: "Dates",
  times: "Hours",
  holiday: "Holidays",
  units: "Lengths, weights and temperatures",
};

function PlaceChoice({ label, value, onChange }: { label: string; value: string; onChange: (code: string) => void }) {
  return (
    <label className="flex items-center gap-2">
      {label}
      <select className={`${inputClasses} !w-52`} value={value} onChange={(event) => onChange(event.target.value)}>
        {places.map(({ code, name }) => (
          <option key={code} value={code}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Fits a resource to her place: everything that belongs elsewhere in one list, accepted one by one or by kind, made as one change. */
export function PlaceScreen({
  data,
  from: there,
  to: here,
  zone,
}: {
  data: AdaptData;
  from: string;
  to: string;
  zone: string;
}) {
  const draft = useDraft(data.resource, data.document, data.counter);
  const { document, change } = draft;
  const newest = useRef(document);
  useEffect(() => {
    newest.current = document;
  }, [document]);
  const [from, setFrom] = useState(there);
  const [to, setTo] = useState(here);
  const [picked, setPicked] = useState<Readonly<Record<string, boolean>>>({});
  const [units, setUnits] = useState<UnitChoice>("convert");
  const found = useMemo(
    () => (from === to ? [] : placeChanges(document, placeOf(from)!, placeOf(to)!, units)),
    [document, from, to, units],
  );
  const isChosen = (one: PlaceChange) => one.to !== null && (picked[one.id] ?? false);
  const chosen = found.filter(isChosen);
  const pick = (some: readonly PlaceChange[], on: boolean) =>
    setPicked({ ...picked, ...Object.fromEntries(some.map(({ id }) => [id, on])) });
  const make = () => {
    const before = document;
    const left = found.some((one) => one.sure && one.to !== null && !isChosen(one));
    // The credit line says so, and the next teacher is not asked again.
    const made = { ...applyPlace(document, chosen), ...(!left && { region: to }) };
    change(made);
    setPicked({});
    tell(chosen.length === 1 ? "One change is made." : `${chosen.length} changes are made.`, () => {
      if (newest.current !== made)
        return tellProblem("It was changed again since, so it stays. Undo goes back step by step.");
      change(before);
    });
  };
  return (
    <div className="flex h-full flex-col">
      <DraftHeader {...{ data, draft, zone }} />
      <div className="flex flex-wrap items-center gap-4 border-b border-line bg-shade px-5 py-2 text-[14px]">
        <PlaceChoice label="Made for" value={from} onChange={setFrom} />
        <PlaceChoice label="to be used in" value={to} onChange={setTo} />
        {placeOf(from)!.units !== placeOf(to)!.units && (
          <label className="flex items-center gap-2">
            Units
            <select
              className={`${inputClasses} !w-44`}
              value={units}
              onChange={(event) => setUnits(event.target.value as UnitChoice)}
            >
              <option value="convert">convert them</option>
              <option value="list">leave them to me</option>
            </select>
          </label>
        )}
        <Button look="main" className="ml-auto" disabled={chosen.length === 0} onClick={make}>
          <MapPin size={16} aria-hidden />{" "}
          {["Make changes", "Make one change"][chosen.length] ?? `Make ${chosen.length} changes`}
        </Button>
      </div>
      <section aria-label="What belongs elsewhere" tabIndex={0} className="min-h-0 flex-1 overflow-auto">
        {found.length === 0 && (
          <Empty title={from === to ? "Choose two places" : `Nothing left of ${placeOf(from)!.name}`}>
            {from === to
              ? "Where it was made, and where you use it."
              : "Its money, spelling, paper and words are at home."}
          </Empty>
        )}
        {changeKinds.map((kind) => {
          const some = found.filter((one) => one.kind === kind);
          const sure = some.filter((one) => one.sure && one.to !== null);
          if (some.length === 0) return null;
          const all = sure.length > 0 && sure.every(isChosen);
          return (
            <ChangeGroup
              key={kind}
              kind={kind}
              name={kindNames[kind]}
              count={some.length}
              press={
                sure.length === 0
                  ? null
                  : {
                      all,
                      text: sure.length === some.length ? "All of these" : `The ${sure.length} clear ones`,
                      onPress: () =>
                        pick(
                          sure.flatMap((one) => tiedTo(found, one)),
                          !all,
                        ),
                    }
              }
            >
              {some.map((one) => (
                <ChangeLine
                  key={one.id}
                  change={one}
                  note={
                    one.to === null
                      ? "has no equivalent here: change it yourself"
                      : !one.sure && "is that what is meant here?"
                  }
                  chosen={isChosen(one)}
                  place={whereIn(document, one)}
                  onChosen={(on) => pick(tiedTo(found, one), on)}
                />
              ))}
            </ChangeGroup>
          );
        })}
        {found.some(({ kind, to: becomes }) => kind === "units" && becomes !== null) && (
          <p className="px-4 py-3 text-[13px] text-ink-soft">
            Amounts are converted exactly and rounded as a textbook would. The numbers of a step change together, with
            the answers that follow from them. An answer that does not follow is marked, and you look at it before the
            resource is published.
          </p>
        )}
        {found.some(({ kind }) => kind === "money") && (
          <p className="px-4 py-3 text-[13px] text-ink-soft">
            Money is only called otherwise: 5 dollars become 5 crowns, so every sum and every answer stays right.
          </p>
        )}
      </section>
    </div>
  );
}
