import { TriangleAlert } from "lucide-react";
import type { Standing } from "@/core/live/room";
import { standingLooks } from "./standing-looks";

/** How many of the class are at what, each with its sign. */
export function StandingCounts({ standings, stuck }: { standings: readonly Standing[]; stuck: number }) {
  return (
    <ul className="grid grid-cols-3 gap-x-3 gap-y-0.5 text-[13px]">
      {(Object.keys(standingLooks) as Standing[]).map((standing) => {
        const { icon: Icon, name, className } = standingLooks[standing];
        const count = standings.filter((so) => so === standing).length;
        return (
          count > 0 && (
            <li key={standing} className="flex items-center gap-1.5">
              <Icon size={14} strokeWidth={2.5} aria-hidden className={className} /> {name}
              <strong className="numbers">{count}</strong>
            </li>
          )
        );
      })}
      {stuck > 0 && (
        <li className="flex items-center gap-1.5">
          <TriangleAlert size={14} aria-hidden className="text-clay" /> stuck <strong>{stuck}</strong>
        </li>
      )}
    </ul>
  );
}
