"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { NamedThing } from "@/data/office/moving";
import { putInClass, sendChild } from "@/screens/acts/moving";
import { Button } from "@/ui/button";
import { ChoiceField } from "@/ui/choice-field";
import { useKeep } from "./use-keep";

/** One of several, and what is done with it. */
function ChooseAndDo({
  label,
  things,
  does,
  busy,
  onDo,
}: {
  label: string;
  things: readonly NamedThing[];
  does: string;
  busy: boolean;
  onDo: (id: number) => void;
}) {
  const [chosen, setChosen] = useState("");
  // What was done with it is no choice any more.
  const isThere = things.some(({ id }) => String(id) === chosen);
  return (
    <div className="mt-3 flex flex-wrap items-end gap-3">
      <ChoiceField
        label={label}
        className="w-64"
        value={isThere ? chosen : ""}
        options={[["", "Choose"], ...things.map(({ id, name }): [string, string] => [String(id), name])]}
        onChoose={setChosen}
      />
      <Button disabled={busy || !isThere} onClick={() => onDo(Number(chosen))}>
        {does}
      </Button>
    </div>
  );
}

/** Where a child is: the classes, into another one, or to another school of the district. */
export function ChildPlaceCard({
  student,
  name,
  isIn,
  classes,
  schools,
}: {
  student: number;
  name: string;
  isIn: readonly NamedThing[];
  /** All of the school. */
  classes: readonly NamedThing[];
  /** The other ones of the district. */
  schools: readonly NamedThing[];
}) {
  const router = useRouter();
  const { notice, busy, keep } = useKeep();
  const others = classes.filter(({ id }) => !isIn.some((one) => one.id === id));
  return (
    <section aria-labelledby="place" className="rounded-card border border-line bg-card p-5">
      <h2 id="place" className="font-semibold">
        Class and school
      </h2>
      <p className="mt-1 [overflow-wrap:anywhere]">
        {isIn.length === 0 ? "In no class." : `In ${isIn.map((one) => one.name).join(", ")}.`}
      </p>
      {others.length > 0 && (
        <ChooseAndDo
          label="Add to a class"
          things={others}
          does="Add"
          busy={busy}
          onDo={(id) =>
            keep(
              () => putInClass({ ofStudent: student, intoClass: id }),
              (done) => `${done.name} is in ${done.class} now.`,
            )
          }
        />
      )}
      {schools.length > 0 && (
        <>
          <ChooseAndDo
            label="Move to another school in the district"
            things={schools}
            does="Move"
            busy={busy}
            onDo={(id) =>
              keep(
                () => sendChild({ ofStudent: student, toSchool: id }),
                (done) => {
                  router.push("/office");
                  return `${done.name} now goes to ${done.school}.`;
                },
              )
            }
          />
          <p className="mt-2 text-[13px] text-ink-soft">
            {name} leaves all classes here and keeps the sign-in name, work and portfolio. Teachers keep the results of
            what they assigned. You can undo this until the other school puts the child into a class.
          </p>
        </>
      )}
      {notice}
    </section>
  );
}
