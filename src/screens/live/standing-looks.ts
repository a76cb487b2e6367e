import { Check, CircleDashed, CircleDot, Ellipsis, Flag, Text, TriangleAlert, X } from "lucide-react";
import type { Standing } from "@/core/live/room";

/** How a student stands, by sign and word as well as colour. */
export const standingLooks = {
  right: { icon: Check, name: "right", className: "text-green" },
  partly: { icon: CircleDot, name: "partly", className: "text-slate" },
  wrong: { icon: X, name: "not right", className: "text-clay" },
  answered: { icon: Text, name: "answered", className: "text-slate" },
  working: { icon: Ellipsis, name: "working", className: "text-ink-soft" },
  "not there": { icon: CircleDashed, name: "not begun", className: "text-ink-soft" },
  "handed in": { icon: Flag, name: "handed in", className: "text-green" },
} as const satisfies Record<Standing, { icon: typeof Check; name: string; className: string }>;

export const StuckSign = TriangleAlert;
