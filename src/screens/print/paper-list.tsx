"use client";
import { Printer } from "lucide-react";
import { formatGradeSpan, formatReadingGrade } from "@/core/content/grade";
import type { Facts } from "@/core/resource/facts";
import { Button } from "@/ui/button";

export interface PaperListProps {
  name: string;
  /** What the pocket is for. */
  about: string;
  items: ({ id: number; author: string } & Pick<
    Facts,
    "title" | "grades" | "minutes" | "readingGrade" | "standards"
  >)[];
  statements: { id: number; code: string; statement: string }[];
}

/** A pocket, or a part of the satchel, on paper. */
export function PaperList({ name, about, items, statements }: PaperListProps) {
  const minutes = items.reduce((sum, item) => sum + item.minutes, 0);
  return (
    <main className="mx-auto max-w-4xl px-8 py-6">
      <div className="not-printed mb-4 flex justify-end">
        <Button look="main" onClick={() => window.print()}>
          <Printer size={16} aria-hidden /> Print
        </Button>
      </div>
      <h1 className="font-serif text-2xl">{name}</h1>
      {about && <p className="mt-1 whitespace-pre-wrap">{about}</p>}
      <p className="numbers mt-1">
        {items.length} {items.length === 1 ? "thing" : "things"} · {minutes} min
      </p>
      <table className="mt-4 w-full border-collapse text-left">
        <thead>
          <tr className="border-b border-current [&>*]:py-1 [&>*]:pr-3">
            <th scope="col">Title</th>
            <th scope="col">Author</th>
            <th scope="col">Grades</th>
            <th scope="col">Min</th>
            <th scope="col">Reads at</th>
            <th scope="col">Standards</th>
          </tr>
        </thead>
        <tbody>
          {items.map((item) => (
            <tr key={item.id} className="break-inside-avoid border-b border-line align-top [&>*]:py-1 [&>*]:pr-3">
              <th scope="row" className="font-semibold">
                {item.title}
              </th>
              <td>{item.author}</td>
              <td className="numbers">{formatGradeSpan(item.grades)}</td>
              <td className="numbers">{item.minutes}</td>
              <td className="numbers">{item.readingGrade === null ? "–" : formatReadingGrade(item.readingGrade)}</td>
              <td className="numbers">{item.standards.join(", ")}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {statements.length > 0 && (
        <section aria-labelledby="statements" className="mt-6">
          <h2 id="statements" className="font-semibold">
            Standards
          </h2>
          <dl className="mt-1 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
            {statements.map(({ id, code, statement }) => (
              <div key={id} className="contents">
                <dt className="numbers font-semibold">{code}</dt>
                <dd>{statement}</dd>
              </div>
            ))}
          </dl>
        </section>
      )}
    </main>
  );
}
