"use client";
import { clsx } from "clsx";
import { formatStuck, type Stuck } from "@/core/live/stuck";
import { isIn, standingOn, type AskedStep, type Seated } from "@/core/live/room";
import { BadgeIcon } from "../student/badge-icon";
import { formatSeconds } from "./use-clock";
import { standingLooks, StuckSign } from "./standing-looks";

export interface RoomProps {
  room: readonly Seated[];
  /** What is looked at: in a led lesson the step of the class; else each is on her own. */
  step: AskedStep | null;
  steps: readonly AskedStep[];
  stuck: ReadonlyMap<number, Stuck>;
  now: number | null;
  names: boolean;
  opened: number | null;
  onOpen: (student: number) => void;
  letters: ReadonlyMap<string, string>;
}

const stepOf = ({ step, steps }: RoomProps, one: Seated): AskedStep | null =>
  step ?? steps.find(({ id }) => id === one.step) ?? null;

/** The letter of what was chosen ("B"), where there is one question to choose in. */
function chosenOf(one: Seated, step: AskedStep | null, letters: ReadonlyMap<string, string>): string | null {
  const answer = step?.questions.length === 1 ? one.answers[step.questions[0]!] : undefined;
  return answer && typeof answer.value === "string" ? (letters.get(answer.value) ?? null) : null;
}

function Desk({ one, at, props }: { one: Seated; at: number; props: RoomProps }) {
  const { stuck, now, names, opened, onOpen, letters } = props;
  const step = stepOf(props, one);
  const standing = step ? standingOn(one, step) : one.handedIn ? "handed in" : "not there";
  const reason = stuck.get(one.student);
  const here = now !== null && isIn(one, now);
  const { icon, name, className } = standingLooks[standing];
  const Icon = reason ? StuckSign : icon;
  const waiting = standing === "working" && now !== null && one.since !== null ? (now - one.since) / 1000 : null;
  const chosen = chosenOf(one, step, letters);
  const label = names ? one.name : `Place ${at + 1}`;
  return (
    <button
      type="button"
      onClick={() => onOpen(one.student)}
      aria-pressed={opened === one.student}
      aria-label={`${label}: ${reason ? `stuck, ${formatStuck(reason)}` : name}${here ? "" : ", not there"}`}
      title={[names && one.name, reason && formatStuck(reason)].filter(Boolean).join(": ") || undefined}
      style={one.seat ? { gridColumn: one.seat.x + 1, gridRow: one.seat.y + 1 } : undefined}
      className={clsx(
        "grid h-11 min-w-0 content-center rounded-[4px] border px-1.5 text-left leading-tight",
        reason
          ? "border-2 border-clay bg-clay-wash"
          : here
            ? "border-line bg-card"
            : "border-dashed border-line-strong bg-transparent",
        opened === one.student && "outline-2 outline-ink",
      )}
    >
      <span className={clsx("flex items-center gap-1", reason ? "text-clay" : className)}>
        <Icon size={14} strokeWidth={2.5} aria-hidden />
        <span className="numbers ml-auto text-[12px]">
          {waiting !== null && !chosen ? formatSeconds(waiting) : (chosen ?? "")}
        </span>
      </span>
      <span className={clsx("truncate text-[12px]", here ? "font-semibold" : "text-ink-soft")}>
        {names ? one.name.split(" ")[0] : <BadgeIcon n={one.badge} size={11} />}
      </span>
    </button>
  );
}

/** Columns of desks; where nobody sits there is an aisle. */
export function seatColumns(room: readonly Seated[]): string {
  const taken = new Set(room.flatMap(({ seat }) => (seat ? [seat.x] : [])));
  const across = Math.max(1, ...[...taken].map((x) => x + 1));
  return Array.from({ length: across }, (_, x) => (taken.has(x) ? "minmax(0, 1fr)" : "0.5rem")).join(" ");
}

/** The class in its seats: how each stands on the step, who is stuck, who is not there. */
export function RoomPlan(props: RoomProps) {
  const { room } = props;
  const columns = seatColumns(room);
  return (
    <div>
      <p className="mb-1.5 rounded-[4px] bg-shade py-0.5 text-center text-[12px] text-ink-soft">board</p>
      <div className="grid gap-1" style={{ gridTemplateColumns: columns }}>
        {room.map((one, at) => (
          <Desk key={one.student} one={one} at={at} props={props} />
        ))}
      </div>
    </div>
  );
}

/** The same as a table: everybody by every step. */
export function RoomTable(props: RoomProps) {
  const { room, steps, stuck, names, now, onOpen } = props;
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Students by steps">
      <table className="w-full border-separate border-spacing-0 text-[13px]">
        <thead>
          <tr className="text-left text-[12px] text-ink-soft">
            <th scope="col" className="py-1 pr-2 font-normal">
              Student
            </th>
            {steps.map(({ id }, at) => (
              <th key={id} scope="col" className="px-1 text-center font-normal">
                <span className="heard">Step </span>
                {at + 1}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {room.map((one, nth) => {
            const reason = stuck.get(one.student);
            return (
              <tr key={one.student}>
                <th scope="row" className="border-t border-line py-0.5 pr-2 text-left font-semibold whitespace-nowrap">
                  <button type="button" className="min-h-6" onClick={() => onOpen(one.student)}>
                    {names ? one.name : `Place ${nth + 1}`}
                  </button>
                  {reason && (
                    <span className="ml-1 inline-flex text-clay" title={formatStuck(reason)}>
                      <StuckSign size={14} aria-label={`stuck: ${formatStuck(reason)}`} />
                    </span>
                  )}
                </th>
                {steps.map((step) => {
                  const standing = standingOn(one, step);
                  const { icon: Icon, name, className } = standingLooks[standing];
                  const here = one.step === step.id && now !== null && isIn(one, now);
                  return (
                    <td key={step.id} className={clsx("border-t border-line px-1 text-center", here && "bg-shade")}>
                      <Icon
                        size={14}
                        className={clsx("inline", className)}
                        aria-label={`${name}${here ? ", here now" : ""}`}
                      />
                    </td>
                  );
                })}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
