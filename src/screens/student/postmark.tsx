"use client";
import { postmark } from "@/core/calendar/format-moment";
import { useWhen } from "../language/use-when";
import { useTranslations } from "use-intl";

/** Done: a postmark with the day it was handed in. */
export function Postmark({ at, zone, now, size = 64 }: { at: Date; zone: string; now: Date; size?: number }) {
  const t = useTranslations("work");
  const { day: dayOf, month: monthOf } = useWhen(zone, now);
  const { day } = postmark(at, zone);
  const month = monthOf(at);
  return (
    <svg
      width={size * 1.15}
      height={size}
      viewBox="0 0 74 64"
      role="img"
      aria-label={t("handedInOn", { when: dayOf(at) })}
      className="shrink-0 text-slate"
    >
      <g fill="none" stroke="currentColor" strokeWidth="2" transform="rotate(-6 30 32)">
        <circle cx="30" cy="32" r="25" />
        <circle cx="30" cy="32" r="17.5" />
        <path
          d="M54 22c4-4 6 4 10 0s6 4 8 1M55 32c4-4 6 4 10 0s5 3 7 1M54 42c4-4 6 4 10 0s6 4 8 1"
          strokeLinecap="round"
        />
        <text x="30" y="32" textAnchor="middle" fontSize="13" fontWeight="700" fill="currentColor" stroke="none">
          {day}
        </text>
        <text x="30" y="42" textAnchor="middle" fontSize="8.5" fill="currentColor" stroke="none">
          {month}
        </text>
      </g>
    </svg>
  );
}
