"use client";
import { toWallClock } from "@/core/calendar/format-moment";
import { fromWallClock } from "@/core/calendar/wall-clock";
import type { Sharing } from "@/core/review/sharing";
import { Checkbox } from "@/ui/checkbox";
import { inputClasses } from "@/ui/field";
import { Segmented } from "@/ui/segmented";

/** Who sees what children write, draw, photograph or say: the teacher first, classmates, or nobody again. */
export function SharingFields({
  value,
  zone,
  onChange,
}: {
  value: Sharing;
  zone: string;
  onChange: (value: Sharing) => void;
}) {
  const change = (part: Partial<Sharing>) => onChange({ ...value, ...part });
  const shown = value.classmates !== "never";
  return (
    <fieldset className="grid gap-3">
      <legend className="mb-1 text-[13px] text-ink-soft">What they write, draw, photograph or say</legend>
      <div className="flex flex-wrap gap-x-5 gap-y-3">
        <div>
          <p className="mb-1 text-[13px] text-ink-soft">I look at it first</p>
          <Segmented
            label="I look at it first"
            value={value.look}
            onChange={(look) => change({ look, ...(look !== "nothing" && { putAway: false }) })}
            options={[
              { value: "nothing", text: "no" },
              { value: "everything", text: "at everything" },
              { value: "until good", text: "until a child's first good one" },
            ]}
          />
        </div>
        <div>
          <p className="mb-1 text-[13px] text-ink-soft">Classmates see it</p>
          <Segmented
            label="Classmates see it"
            value={value.classmates}
            onChange={(classmates) => change({ classmates, ...(classmates !== "never" && { putAway: false }) })}
            options={[
              { value: "never", text: "never" },
              { value: "own first", text: "after their own" },
              { value: "any time", text: "straight away" },
            ]}
          />
        </div>
        {shown && (
          <div>
            <p className="mb-1 text-[13px] text-ink-soft">Replies</p>
            <Segmented
              label="Replies"
              value={value.replies}
              onChange={(replies) => change({ replies })}
              options={[
                { value: "off", text: "off" },
                { value: "words", text: "in words" },
                { value: "voice", text: "words and voice" },
              ]}
            />
          </div>
        )}
        {shown && (
          <label className="text-[13px] text-ink-soft">
            Hide it from classmates from (empty: never)
            <input
              type="datetime-local"
              className={`${inputClasses} mt-1`}
              value={value.until ? toWallClock(new Date(value.until), zone) : ""}
              onChange={(event) => change({ until: fromWallClock(event.target.value, zone)?.toISOString() ?? null })}
            />
          </label>
        )}
      </div>
      <label className="flex items-center gap-2">
        <Checkbox
          label="Put it away when it is handed in"
          checked={value.putAway}
          onChange={(putAway) => change({ putAway, ...(putAway && { look: "nothing", classmates: "never" }) })}
        />
        Put it away when it is handed in: the child does not see it again, and it stays between the two of you
      </label>
    </fieldset>
  );
}
