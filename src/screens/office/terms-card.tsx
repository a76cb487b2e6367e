"use client";
import { useState } from "react";
import type { SchoolCalendar } from "@/core/calendar/school-calendar";
import { keepTerms } from "@/screens/acts/office";
import { Button } from "@/ui/button";
import { TermFields } from "./term-fields";
import { useKeep } from "./use-keep";

export function TermsCard({ terms: stored }: { terms: SchoolCalendar["terms"] }) {
  const [terms, setTerms] = useState([...stored]);
  const { notice, busy, keep } = useKeep();
  const set = (at: number, change: Partial<(typeof terms)[number]>) =>
    setTerms(terms.map((term, nth) => (nth === at ? { ...term, ...change } : term)));
  return (
    <section aria-labelledby="terms" className="rounded-card border border-line bg-card p-5">
      <h2 id="terms" className="font-semibold">
        Terms
      </h2>
      <ul className="mt-2 grid gap-2">
        {terms.map((term, at) => (
          <li key={at} className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_auto] gap-2">
            <TermFields term={term} nth={at + 1} nameClassName="col-span-3" onChange={(more) => set(at, more)} />
            <Button
              look="quiet"
              aria-label={`Take out ${term.name || `term ${at + 1}`}`}
              onClick={() => setTerms(terms.filter((_, nth) => nth !== at))}
            >
              ×
            </Button>
          </li>
        ))}
      </ul>
      {notice}
      <div className="mt-3 flex gap-2">
        <Button onClick={() => setTerms([...terms, { name: "", from: "", to: "" }])}>One more</Button>
        <Button
          disabled={busy}
          onClick={() =>
            keep(
              () => keepTerms({ terms }),
              () => "The terms are saved.",
            )
          }
        >
          Save the terms
        </Button>
      </div>
    </section>
  );
}
