"use client";
import { useSyncExternalStore, type ReactNode } from "react";

const query = () => window.matchMedia("print");

function subscribe(changed: () => void) {
  const media = query();
  media.addEventListener("change", changed);
  return () => media.removeEventListener("change", changed);
}

/**
 * A list as it is printed: every line of it, also those the screen has not drawn, and nothing that stands beside it. Only there while
 * the page is being printed, so that a long list costs nothing before.
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
  /** Asked for when it is printed. */
  lines: () => readonly { id: number; cells: readonly ReactNode[] }[];
}) {
  const printing = useSyncExternalStore(
    subscribe,
    () => query().matches,
    () => false,
  );
  if (!printing) return null;
  return (
    <section className="bg-white text-black">
      <h1 className="font-serif text-[22px]">{title}</h1>
      {about && <p className="mt-1 text-[13px]">{about}</p>}
      <table className="mt-3 w-full text-[13px]">
        <thead>
          <tr className="border-b border-black text-left">
            {heads.map((head) => (
              <th key={head} scope="col" className="py-1 pr-3">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines().map(({ id, cells }) => (
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
