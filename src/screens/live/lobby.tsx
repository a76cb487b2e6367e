"use client";
import { DoorOpen, KeyRound, Play, Users } from "lucide-react";
import { useState } from "react";
import { isIn, type Seated } from "@/core/live/room";
import type { JoinCode } from "@/data/classes/classes";
import { Button } from "@/ui/button";
import { Key } from "@/ui/key";
import { BadgeIcon } from "../student/badge-icon";
import { Segmented } from "@/ui/segmented";
import { seatColumns } from "./room-plan";
import { Qr } from "../classes/qr";

/** Where the class gathers: how they come in, and who is there. */
export function Lobby({
  room,
  now,
  names,
  code,
  joinLink,
  assignment,
  onBegin,
  onCode,
}: {
  room: readonly Seated[];
  now: number | null;
  names: boolean;
  code: JoinCode | null;
  joinLink: string;
  assignment: number;
  onBegin?: (() => void) | undefined;
  /** Gets a code for the class, where the last one has run out. */
  onCode: () => void;
}) {
  const [seats, setSeats] = useState(false);
  const there = room.filter((one) => now !== null && isIn(one, now));
  const link = code ? `${joinLink}?code=${encodeURIComponent(code.code)}&to=${assignment}` : joinLink;
  return (
    <section
      aria-label="Lobby"
      className="grid min-h-0 flex-1 grid-cols-[auto_minmax(0,1fr)] gap-8 overflow-auto p-6 max-md:grid-cols-1"
    >
      <div className="grid content-start gap-3">
        <Qr
          text={link}
          label="The link as a picture for a tablet's camera"
          className="h-72 w-72 rounded-card bg-white"
        />
        <p className="text-ink-soft">
          Open <strong className="text-ink">{joinLink.replace(/^https?:\/\//, "")}</strong> and type
        </p>
        {code ? (
          <p className="numbers text-[44px] leading-none font-bold tracking-widest">{code.code}</p>
        ) : (
          <p>
            <Button onClick={onCode}>
              <KeyRound size={16} aria-hidden /> Get a code
            </Button>
          </p>
        )}
        <p className="max-w-72 text-[13px] text-ink-soft">
          Those who have signed in already find the lesson on their first page.
        </p>
      </div>
      <div className="grid content-start gap-3">
        <div className="flex items-center justify-between gap-4">
          <h2 className="flex items-center gap-2 font-serif text-2xl" aria-live="polite">
            <Users size={22} aria-hidden /> {there.length} of {room.length} in
          </h2>
          <Segmented
            label="How the class is shown"
            value={seats ? "seats" : "names"}
            options={[
              { value: "names", text: "Names" },
              { value: "seats", text: "Seats" },
            ]}
            onChange={(value) => setSeats(value === "seats")}
          />
        </div>
        {names ? (
          <ul
            className={seats ? "grid gap-1.5" : "grid grid-cols-[repeat(auto-fill,minmax(10rem,1fr))] gap-2"}
            style={seats ? { gridTemplateColumns: seatColumns(room) } : undefined}
          >
            {room.map((one) => {
              const here = there.includes(one);
              return (
                <li
                  key={one.student}
                  style={seats && one.seat ? { gridColumn: one.seat.x + 1, gridRow: one.seat.y + 1 } : undefined}
                  className={`flex min-w-0 items-center gap-2 rounded-card border px-3 py-2.5 ${here ? "border-green bg-green-wash font-semibold" : "border-dashed border-line-strong text-ink-soft"}`}
                >
                  <BadgeIcon n={one.badge} size={13} />
                  {here && <DoorOpen size={16} aria-label="in" className="shrink-0 text-green" />}
                  <span className="truncate" title={one.name}>
                    {seats ? one.name.split(" ")[0] : one.name}
                  </span>
                </li>
              );
            })}
          </ul>
        ) : (
          <p className="text-ink-soft">Names are hidden.</p>
        )}
        {onBegin && (
          <p className="mt-2 flex items-center gap-3">
            <Button look="main" size="large" onClick={onBegin}>
              <Play size={18} aria-hidden /> Begin <Key>Enter</Key>
            </Button>
            <span className="text-[13px] text-ink-soft">Anyone who comes later lands where the class is.</span>
          </p>
        )}
      </div>
    </section>
  );
}
