"use client";
import { useLocale, useTranslations } from "use-intl";
import { formatDay, formatForChildren, postmark } from "@/core/calendar/format-moment";

/** Moments for children, by the school's clock: "today, 3 in the afternoon"; in other languages with the hour as a clock shows it. */
export function useWhen(zone: string, now: Date) {
  const t = useTranslations("when");
  const language = useLocale();
  const said = (at: Date, how: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat(language, { timeZone: zone, ...how }).format(at);
  const date = (at: Date) => said(at, { weekday: "short", day: "numeric", month: "short" });
  return {
    /** "Thursday, 3 in the afternoon". */
    when(at: Date): string {
      if (language === "en") return formatForChildren(at, zone, now);
      const day = (moment: Date) => Date.parse(new Intl.DateTimeFormat("en-CA", { timeZone: zone }).format(moment));
      const days = Math.round((day(at) - day(now)) / 86_400_000);
      const time = said(at, { hour: "numeric", minute: "2-digit" });
      if (days === 0) return t("today", { time });
      if (days === 1) return t("tomorrow", { time });
      if (days > 1 && days < 7) return t("weekday", { day: said(at, { weekday: "long" }), time });
      return t("date", { day: date(at), time });
    },
    /** "Thursday", without the hour. */
    whichDay: (at: Date): string =>
      language === "en"
        ? formatForChildren(at, zone, now).split(",")[0]!
        : said(at, { weekday: "long", day: "numeric", month: "short" }),
    /** "Tue 2 Mar". */
    day: (at: Date): string => (language === "en" ? formatDay(at, zone, now) : date(at)),
    /** "NOV". */
    month: (at: Date): string =>
      language === "en" ? postmark(at, zone).month : said(at, { month: "short" }).replace(".", "").toUpperCase(),
  };
}
