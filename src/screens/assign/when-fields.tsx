"use client";
import { MomentInput, TimeInput } from "@/screens/when/typed-input";
import type { AssignForm, Due, Opens } from "@/core/assign/form";
import { formatDay, formatTime, toWallClock } from "@/core/calendar/format-moment";
import { schoolDayAt } from "@/core/calendar/wall-clock";
import type { Audience, AudienceClass } from "@/server/assign/audience";
import { inputClasses, TextInput } from "@/ui/field";
import { Segmented } from "@/ui/segmented";

type Change = (change: Partial<AssignForm>) => void;

const wallTime = (moment: Date, zone: string) => {
  const clock = toWallClock(moment, zone);
  return formatTime(Number(clock.slice(11, 13)), Number(clock.slice(14, 16)));
};

function MeetingSelect({
  group,
  opens,
  zone,
  now,
  onChange,
}: {
  group: AudienceClass;
  opens: Extract<Opens, { kind: "place" }>;
  zone: string;
  now: Date;
  onChange: Change;
}) {
  return (
    <select
      aria-label="At which lesson"
      className={`${inputClasses} mt-2`}
      value={`${opens.date} ${opens.period}`}
      onChange={(event) => {
        const [date, period] = event.target.value.split(" ");
        onChange({ opens: { kind: "place", date: date!, period: Number(period) } });
      }}
    >
      {group.meetings.map((meeting) => (
        <option key={`${meeting.date} ${meeting.period}`} value={`${meeting.date} ${meeting.period}`}>
          {formatDay(meeting.starts, zone, now)}, {meeting.label && `${meeting.label}, `}
          {wallTime(meeting.starts, zone)}
          {meeting.planned > 0 && ` (${meeting.planned} of ${meeting.minutes} min planned)`}
        </option>
      ))}
    </select>
  );
}

function OpensField({
  audience,
  form,
  now,
  onChange,
}: {
  audience: Audience;
  form: AssignForm;
  now: Date;
  onChange: Change;
}) {
  const { zone } = audience;
  const chosen = audience.classes.filter(({ id }) => form.to.some((one) => one.class === id));
  const single = chosen.length === 1 ? chosen[0]! : null;
  const meets = chosen.length > 0 && chosen.every(({ meetings }) => meetings.length > 0);
  const kind = form.opens.kind === "now" ? "now" : form.opens.kind === "at" ? "at" : "meeting";
  const choose = (next: "now" | "meeting" | "at") => {
    const first = single?.meetings[0];
    const atLesson: Opens = first
      ? { kind: "place", date: first.date, period: first.period }
      : { kind: "meeting", n: 1 };
    const opens: Opens =
      next === "now"
        ? { kind: "now" }
        : next === "meeting"
          ? atLesson
          : { kind: "at", at: toWallClock(schoolDayAt(now, zone, 1, 7), zone) };
    const noEnd = next !== "meeting" && form.due.kind === "meeting end";
    onChange({ opens, ...(noEnd && { due: { kind: "days" as const, days: 2, time: "15:00" } }) });
  };
  return (
    <div>
      <p className="mb-1 text-[13px] text-ink-soft">Opens</p>
      <Segmented
        label="Opens"
        value={kind}
        onChange={choose}
        options={[
          { value: "now", text: "now" },
          ...(meets ? [{ value: "meeting" as const, text: "at a lesson" }] : []),
          { value: "at", text: "day and time" },
        ]}
      />
      {form.opens.kind === "place" && single && (
        <MeetingSelect group={single} opens={form.opens} zone={zone} now={now} onChange={onChange} />
      )}
      {(form.opens.kind === "meeting" || (form.opens.kind === "place" && !single)) && (
        <select
          aria-label="At which lesson"
          className={`${inputClasses} mt-2`}
          value={form.opens.kind === "meeting" ? form.opens.n : 1}
          onChange={(event) => onChange({ opens: { kind: "meeting", n: Number(event.target.value) } })}
        >
          {Array.from({ length: 10 }, (_, at) => (
            <option key={at} value={at + 1}>
              {at === 0 ? "the next lesson of each class" : `${at + 1} lessons from now, each class its own`}
            </option>
          ))}
        </select>
      )}
      {form.opens.kind === "at" && (
        <MomentInput
          aria-label="Opens on"
          className="mt-2"
          value={form.opens.at}
          onChange={(value) => onChange({ opens: { kind: "at", at: value } })}
        />
      )}
    </div>
  );
}

function DueField({
  audience,
  form,
  now,
  onChange,
}: {
  audience: Audience;
  form: AssignForm;
  now: Date;
  onChange: Change;
}) {
  const { zone } = audience;
  const atLesson = form.opens.kind === "meeting" || form.opens.kind === "place";
  const choose = (kind: Due["kind"]) => {
    const due: Due =
      kind === "meeting end"
        ? { kind }
        : kind === "days"
          ? { kind, days: 2, time: "15:00" }
          : { kind: "at", at: toWallClock(schoolDayAt(now, zone, 3, 15), zone) };
    onChange({ due });
  };
  return (
    <div>
      <p className="mb-1 text-[13px] text-ink-soft">Due</p>
      <Segmented
        label="Due"
        value={form.due.kind}
        onChange={choose}
        options={[
          ...(atLesson ? [{ value: "meeting end" as const, text: "in that lesson" }] : []),
          { value: "days", text: "days later" },
          { value: "at", text: "day and time" },
        ]}
      />
      {form.due.kind === "days" && (
        <div className="mt-2 flex items-center gap-2">
          <span className="w-20">
            <TextInput
              type="number"
              min={0}
              max={90}
              aria-label="School days later"
              value={form.due.days}
              onChange={(event) =>
                onChange({
                  due: {
                    kind: "days",
                    days: Math.min(90, Math.max(0, Math.round(Number(event.target.value)))),
                    time: form.due.kind === "days" ? form.due.time : "15:00",
                  },
                })
              }
            />
          </span>
          <span className="whitespace-nowrap text-ink-soft">school days later at</span>
          <span className="w-32">
            <TimeInput
              aria-label="Due at"
              value={form.due.time}
              onChange={(value) =>
                value &&
                onChange({
                  due: { kind: "days", days: form.due.kind === "days" ? form.due.days : 2, time: value },
                })
              }
            />
          </span>
        </div>
      )}
      {form.due.kind === "at" && (
        <MomentInput
          aria-label="Due on"
          className="mt-2"
          value={form.due.at}
          onChange={(value) => onChange({ due: { kind: "at", at: value } })}
        />
      )}
    </div>
  );
}

/** When it opens and when it is due, by lessons or by the clock. */
export function WhenFields(props: { audience: Audience; form: AssignForm; now: Date; onChange: Change }) {
  return (
    <div className="grid grid-cols-[repeat(auto-fit,minmax(min(21rem,100%),1fr))] gap-x-5 gap-y-3">
      <OpensField {...props} />
      <DueField {...props} />
    </div>
  );
}
