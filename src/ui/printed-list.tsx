import type { ReactNode } from "react";

/**
 * A list as it is printed: every line of it, also those the screen has not drawn, and nothing that stands beside it. On the screen it
 * is not there.
 */
export function PrintedList({
  title,
  about,
  heads,
  lines,
}: {
  title: string;
  about?: ReactNode;
  heads: readonly string[];
  lines: readonly { id: number; cells: readonly ReactNode[] }[];
}) {
  return (
    <section className="hidden bg-white p-0 text-black print:block" aria-hidden>
      <h1 className="font-serif text-[22px]">{title}</h1>
      {about && <p className="mt-1 text-[13px]">{about}</p>}
      <table className="mt-3 w-full text-[13px]">
        <thead>
          <tr className="border-b border-black text-left">
            {heads.map((head) => (
              <th key={head} className="py-1 pr-3">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map(({ id, cells }) => (
            <tr key={id} className="break-inside-avoid border-b border-line align-top">
              {cells.map((cell, at) => (
                <td key={at} className="py-1 pr-3">
                  {cell}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
