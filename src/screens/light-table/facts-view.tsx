"use client";
import { formatDay, formatMonths } from "@/core/calendar/format-moment";
import { countryName, languageName } from "@/core/locale/names";
import { deviceName } from "@/core/content/device";
import { formatGradeSpan, formatReadingGrade } from "@/core/content/grade";
import { minutesDisagree } from "@/core/resource/minutes";
import { clockTime } from "@/core/media/captions";
import { licenceNames } from "@/core/licence/licence";
import type { LightTableData } from "@/server/find/light-table";

const minutesFrom = {
  stated: "as its author says",
  steps: "the steps together",
  estimate: "estimated from words and questions",
};
const signNames = {
  money: "money",
  units: "units",
  spelling: "spelling",
  paper: "paper",
  date: "dates",
  holiday: "holidays",
};

const formatTime = ({ minutes, minutesFrom: from, minutesEstimated }: LightTableData["facts"]): string =>
  `${minutes} minutes, ${minutesFrom[from]}${
    minutesEstimated !== undefined && minutesDisagree(minutes, minutesEstimated)
      ? `; about ${minutesEstimated} going by its steps`
      : ""
  }`;

/** Everything measured and stated, and what in the text is hard or belongs to one country. */
export function FactsView({ data, zone, now }: { data: LightTableData; zone: string; now: Date }) {
  const { facts, reading, statements, foreign } = data;
  const rows: [string, string][] = [
    ["Time", formatTime(facts)],
    ["Grades meant", formatGradeSpan(facts.grades)],
    [
      "Reads at",
      reading.grade
        ? `${formatReadingGrade(reading.grade.grade)} by ${reading.grade.formula}${reading.daleChall ? `; grade ${reading.daleChall.grades} by Dale-Chall (${reading.daleChall.score})` : ""}`
        : "too little text to measure",
    ],
    [
      "Text",
      `${facts.words} words, ${reading.wordsASentence} a sentence; about ${facts.pages} ${facts.pages === 1 ? "page" : "pages"} printed`,
    ],
    [
      "Read aloud",
      facts.audioSeconds > 0 ? `${Math.ceil(facts.audioSeconds / 60)} minutes recorded` : "nothing recorded",
    ],
    ...(facts.filmSeconds ? [["Film", clockTime(facts.filmSeconds)] as [string, string]] : []),
    ...(facts.months?.length ? [["Months", formatMonths(facts.months)] as [string, string]] : []),
    ["Students", [...new Set(facts.doing)].join(", ")],
    ["Questions", `${facts.questions}, ${facts.marks} marks`],
    ["Devices", facts.devices.map(deviceName).join(", ")],
    ["Languages", facts.languages.map(languageName).join(", ")],
    ["Made for", countryName(facts.country)],
    ["Licence", licenceNames[facts.licence]],
  ];
  return (
    <div className="h-full overflow-auto px-5 pb-5" tabIndex={0} role="region" aria-label="Facts">
      <div className="grid grid-cols-2 gap-8 text-[13px]">
        <dl className="grid content-start grid-cols-[6.5rem_1fr] gap-x-3 gap-y-1.5">
          {rows.map(([name, value]) => (
            <div key={name} className="contents">
              <dt className="text-ink-soft">{name}</dt>
              <dd>{value}</dd>
            </div>
          ))}
          {statements.map((one) => (
            <div key={one.code} className="contents">
              <dt className="text-ink-soft">{one.code}</dt>
              <dd>{one.statement}</dd>
            </div>
          ))}
        </dl>
        <div className="grid content-start gap-4">
          {data.usesHere.length > 0 && (
            <section>
              <h2 className="font-bold">Used at your school</h2>
              <ul className="mt-1 grid gap-1">
                {data.usesHere.map((one) => (
                  <li key={one.class}>
                    {one.class}{" "}
                    <span className="text-ink-soft">
                      grade {formatGradeSpan({ from: one.gradeFrom, to: one.gradeTo })} · {one.teacher} ·{" "}
                      {formatDay(one.at, zone, now)}
                    </span>
                  </li>
                ))}
              </ul>
            </section>
          )}
          {reading.hardSentences.length > 0 && (
            <section>
              <h2 className="font-bold">The hardest sentences</h2>
              <ol className="mt-1 grid gap-1.5">
                {reading.hardSentences.map((sentence) => (
                  <li key={sentence.text} className="grid grid-cols-[2.5rem_1fr]">
                    <span
                      className={
                        sentence.grade > facts.grades.to + 1
                          ? "numbers font-semibold text-clay"
                          : "numbers text-ink-soft"
                      }
                    >
                      {formatReadingGrade(sentence.grade)}
                    </span>
                    <span>{sentence.text}</span>
                  </li>
                ))}
              </ol>
            </section>
          )}
          {reading.hardWords.length > 0 && (
            <section>
              <h2 className="font-bold">Words a child may not know</h2>
              <p className="mt-1">
                {reading.hardWords.map((one) => (one.times > 1 ? `${one.word} (${one.times}×)` : one.word)).join(", ")}
              </p>
              <p className="mt-1 text-ink-soft">{reading.hardBy}</p>
            </section>
          )}
          {foreign.length > 0 && (
            <section>
              <h2 className="font-bold">What belongs to another country</h2>
              <ul className="mt-1">
                {foreign.map((sign) => (
                  <li key={sign.kind + sign.text}>
                    “{sign.text}”{" "}
                    <span className="text-ink-soft">
                      {signNames[sign.kind]}: {sign.countries.slice(0, 4).map(countryName).join(", ")}
                      {sign.countries.length > 4 && " and others"}
                    </span>
                  </li>
                ))}
              </ul>
            </section>
          )}
        </div>
      </div>
    </div>
  );
}
