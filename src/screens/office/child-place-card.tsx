"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { NamedThing } from "@/data/office/moving";
import { putInClass, sendChild } from "@/screens/acts/moving";
import { Button } from "@/ui/button";
import { ChoiceField } from "@/ui/choice-field";
import { useKeep } from "./use-keep";

const choices = (things: readonly NamedThing[]): [string, string][] => [
  ["", "Choose"],
  ...things.map(({ id, name }): [string, string] => [String(id), name]),
];

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
  const [into, setInto] = useState("");
  const [to, setTo] = useState("");
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
        <div className="mt-3 flex flex-wrap items-end gap-3">
          <ChoiceField
            label="Put into a class"
            className="w-64"
            value={into}
            options={choices(others)}
            onChoose={setInto}
          />
          <Button
            disabled={busy || into === ""}
            onClick={() =>
              keep(
                () => putInClass({ ofStudent: student, intoClass: Number(into) }),
                (done) => {
                  setInto("");
                  return `${done.name} is in ${done.class} now.`;
                },
              )
            }
          >
            Put in
          </Button>
        </div>
      )}
      {schools.length > 0 && (
        <>
          <div className="mt-3 flex flex-wrap items-end gap-3">
            <ChoiceField
              label="Goes to another school of the district"
              className="w-64"
              value={to}
              options={choices(schools)}
              onChoose={setTo}
            />
            <Button
              disabled={busy || to === ""}
              onClick={() =>
                keep(
                  () => sendChild({ ofStudent: student, toSchool: Number(to) }),
                  (done) => {
                    router.push("/office");
                    return `${done.name} is a child of ${done.school} now.`;
                  },
                )
              }
            >
              Send there
            </Button>
          </div>
          <p className="mt-2 text-[13px] text-ink-soft">
            {name} leaves all classes here and keeps the sign-in name, work and portfolio. Teachers keep the results of
            what they assigned. Only the other office can send the child back.
          </p>
        </>
      )}
      {notice}
    </section>
  );
}
