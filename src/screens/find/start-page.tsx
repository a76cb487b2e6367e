"use client";
import { X } from "lucide-react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import type { ReactNode } from "react";
import { formatDay } from "@/core/calendar/format-moment";
import { anyNeed, needToParameters } from "@/core/find/need";
import { gradeName } from "@/core/content/grade";
import { deleteSearch, saveSearch } from "@/screens/acts/keep";
import { orTell } from "@/screens/acts/tried";
import type { StartData } from "@/server/find/start-page";
import { IconButton } from "@/ui/icon-button";
import { mediaAddress } from "../step/media";
import { tell, tellProblem } from "@/ui/toast";

const monthName = (month: number) => new Date(2026, month - 1, 15).toLocaleDateString("en", { month: "long" });

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="break-inside-avoid pb-5">
      <h2 className="border-b border-line pb-1 font-serif text-[17px]">{title}</h2>
      <ul className="mt-1">{children}</ul>
    </section>
  );
}

/** One way in: a word, and what it leads to at the right. */
function Way({
  text,
  note,
  cover,
  at,
  onGo,
  tail,
}: {
  text: string;
  note?: string;
  cover?: string | null;
  at?: ReactNode;
  onGo: () => void;
  tail?: ReactNode;
}) {
  return (
    <li className="flex min-h-8 items-center gap-2">
      {cover && (
        // eslint-disable-next-line @next/next/no-img-element -- small, and from our own address
        <img src={mediaAddress(cover)} alt="" className="my-0.5 h-9 w-12 shrink-0 rounded-[4px] object-cover" />
      )}
      <button type="button" onClick={onGo} className="min-w-0 flex-1 truncate text-left hover:underline" title={text}>
        {text}
        {note && <span className="text-ink-soft"> · {note}</span>}
      </button>
      {at !== undefined && <span className="numbers text-[13px] text-ink-soft">{at}</span>}
      {tail}
    </li>
  );
}

/** For a teacher who has no words yet: what is new, what she saw, what others use, and places to browse. */
export function StartPage({
  data,
  zone,
  now,
  onNeed,
  onOpen,
}: {
  data: StartData;
  /** The school's clock, for days. */
  zone: string;
  now: Date;
  /** `since`: what became findable later is marked as new. */
  onNeed: (address: string, since?: Date) => void;
  onOpen: (id: number) => void;
}) {
  const router = useRouter();
  const forget = async (kept: StartData["saved"][number]) => {
    const outcome = await deleteSearch({ id: kept.id });
    if (!outcome.ok) return tellProblem(outcome.problem);
    router.refresh();
    tell(`“${kept.name}” is deleted.`, async () => {
      await orTell(saveSearch({ name: kept.name, address: kept.address }));
      router.refresh();
    });
  };
  const thisMonth = data.sets.filter((set) => set.months.includes(data.month));
  const otherSets = data.sets.filter((set) => set.kind === "set" && !set.months.includes(data.month));
  const units = data.sets.filter((set) => set.kind === "unit");
  const topicOf = (unit: StartData["sets"][number]) => unit.topic ?? "other topics";
  const unitsByTopic = [...new Set(units.map(topicOf))].map(
    (topic) => [topic, units.filter((unit) => topicOf(unit) === topic)] as const,
  );
  const setWay = (set: StartData["sets"][number]) => (
    <Way
      key={set.value}
      text={set.text}
      note={set.topic ?? set.note}
      cover={set.cover}
      at={set.resources}
      onGo={() => onNeed(`set=${set.value}`)}
    />
  );
  return (
    <div className="h-full overflow-auto px-5 pt-4 pb-6">
      <h1 className="heard">Find: places to begin</h1>
      <div className="columns-2 gap-8">
        {data.saved.length > 0 && (
          <Part title="Saved searches">
            {data.saved.map((kept) => (
              <Way
                key={kept.id}
                text={kept.name}
                at={
                  kept.fresh > 0 ? (
                    <button
                      type="button"
                      aria-label={`Only the ${kept.fresh} new of “${kept.name}”`}
                      onClick={() => onNeed(`${kept.address}&since=${kept.seen.toISOString().slice(0, 16)}`, kept.seen)}
                      className="font-bold text-green hover:underline"
                    >
                      {kept.fresh} new
                    </button>
                  ) : (
                    "nothing new"
                  )
                }
                onGo={() => onNeed(kept.address, kept.seen)}
                tail={
                  <IconButton name={`Delete “${kept.name}”`} small onClick={() => void forget(kept)}>
                    <X size={13} aria-hidden />
                  </IconButton>
                }
              />
            ))}
          </Part>
        )}
        {data.followed.length > 0 && (
          <Part title="Authors you follow">
            {data.followed.map((one) => (
              <Way
                key={one.author}
                text={one.name}
                at={one.fresh > 0 ? <strong className="text-green">{one.fresh} new</strong> : "nothing new"}
                onGo={() => onNeed(`author=${one.author}`, one.seen)}
              />
            ))}
          </Part>
        )}
        {data.viewed.length > 0 && (
          <Part title="You looked at">
            {data.viewed.map((one) => (
              <Way
                key={one.id}
                text={one.title}
                note={one.author}
                at={formatDay(one.at, zone, now)}
                onGo={() => onOpen(one.id)}
              />
            ))}
          </Part>
        )}
        {thisMonth.length > 0 && <Part title={`Picked for ${monthName(data.month)}`}>{thisMonth.map(setWay)}</Part>}
        {data.usedHere.length > 0 && (
          <Part title="Used at your school">
            {data.usedHere.map((one) => (
              <Way
                key={one.value}
                text={one.text}
                at={one.resources === 1 ? "1 class" : `${one.resources} classes`}
                onGo={() => onOpen(Number(one.value))}
              />
            ))}
          </Part>
        )}
        <Part title="From a standard">
          <li>
            <Link href="/find/standards" className="inline-flex min-h-8 items-center text-green hover:underline">
              Open the frameworks as a tree
            </Link>
          </li>
        </Part>
        {unitsByTopic.map(([topic, units]) => (
          <Part key={topic} title={`Units: ${topic}`}>
            {units.map((unit, at) => (
              <Way
                key={unit.value}
                text={`${at + 1}. ${unit.text}`}
                note={unit.note}
                at={unit.resources}
                onGo={() => onNeed(`set=${unit.value}`)}
              />
            ))}
          </Part>
        ))}
        {data.topics.length > 0 && (
          <Part title="Topics">
            <li className="flex flex-wrap gap-x-3 gap-y-1 pt-1">
              {data.topics.map((topic) => (
                <button
                  key={topic.value}
                  type="button"
                  onClick={() => onNeed(needToParameters({ ...anyNeed, topics: [topic.value] }).toString())}
                  className="hover:underline"
                >
                  {topic.text} <span className="numbers text-[12px] text-ink-soft">{topic.resources}</span>
                </button>
              ))}
            </li>
          </Part>
        )}
        <Part title="By grade">
          <li className="flex flex-wrap gap-1 pt-1">
            {Array.from({ length: 9 }, (_, grade) => (
              <button
                key={grade}
                type="button"
                aria-label={grade === 0 ? "Kindergarten" : `Grade ${grade}`}
                onClick={() => onNeed(`grades=${grade}`)}
                className="h-8 min-w-8 rounded-card border border-line px-2 hover:border-line-strong"
              >
                {gradeName(grade)}
              </button>
            ))}
          </li>
        </Part>
        {data.colleagues.length > 0 && (
          <Part title="By colleague">
            {data.colleagues.map((one) => (
              <Way key={one.value} text={one.text} at={one.resources} onGo={() => onNeed(`author=${one.value}`)} />
            ))}
          </Part>
        )}
        {data.partners.length > 0 && (
          <Part title="From partners">
            {data.partners.map((one) => (
              <Way
                key={one.value}
                text={one.text}
                at={one.resources}
                onGo={() => router.push(`/find/partner/${one.value}`)}
              />
            ))}
          </Part>
        )}
        {otherSets.length > 0 && <Part title="Other sets">{otherSets.map(setWay)}</Part>}
        <Part title="Start from a blank">
          <Way text="Templates" onGo={() => onNeed("kind=template")} />
        </Part>
      </div>
    </div>
  );
}
