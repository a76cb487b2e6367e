"use client";
import { compareEditions } from "@/core/find/edition";
import type { LightTableData } from "@/server/find/light-table";

/** Editions of one work beside each other: what differs is marked, so that nobody packs the wrong one. */
export function EditionsView({ data, onOpen }: { data: LightTableData; onOpen: (id: number) => void }) {
  const rows = compareEditions(data.editions.map((one) => one.edition));
  return (
    <div className="h-full overflow-auto px-5 pb-5" tabIndex={0} role="region" aria-label="Editions">
      <p className="text-[13px]">
        <strong>{data.document.edition?.work}</strong> comes in {data.editions.length} editions. Rows with a mark
        differ.
      </p>
      <table className="mt-2 w-full text-[13px]">
        <thead>
          <tr className="border-b border-line text-left">
            <th className="py-1.5 font-normal text-ink-soft">Edition</th>
            {data.editions.map((one) => (
              <th key={one.id} className="py-1.5 pr-3 align-top">
                {one.id === data.resource.id ? (
                  <span aria-current="true">{one.title} (this one)</span>
                ) : (
                  <button type="button" className="text-left text-green hover:underline" onClick={() => onOpen(one.id)}>
                    {one.title}
                  </button>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.what} className={row.differs ? "border-b border-line bg-shade" : "border-b border-line"}>
              <th scope="row" className="py-1.5 pr-3 text-left font-normal text-ink-soft">
                {row.what} {row.differs && <strong className="text-ink">≠</strong>}
              </th>
              {row.values.map((value, at) => (
                <td key={at} className={row.differs ? "numbers py-1.5 pr-3 font-semibold" : "numbers py-1.5 pr-3"}>
                  {value}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
