import { clsx } from "clsx";
import {
  Bug,
  Cat,
  Crown,
  Dog,
  Drum,
  Flower2,
  Guitar,
  KeyRound,
  Leaf,
  Rabbit,
  Rat,
  Rocket,
  Snail,
  Squirrel,
  Turtle,
  Umbrella,
  type LucideIcon,
} from "lucide-react";
import { badge, type Badge, type BadgePicture } from "@/core/student/badge";

const icons: Record<BadgePicture, LucideIcon> = {
  cat: Cat,
  dog: Dog,
  rabbit: Rabbit,
  squirrel: Squirrel,
  snail: Snail,
  turtle: Turtle,
  rat: Rat,
  bug: Bug,
  leaf: Leaf,
  flower: Flower2,
  umbrella: Umbrella,
  drum: Drum,
  guitar: Guitar,
  key: KeyRound,
  crown: Crown,
  rocket: Rocket,
};

const tones: Record<Badge["tone"], string> = {
  green: "bg-green-wash text-green",
  slate: "bg-slate-wash text-slate",
  clay: "bg-clay-wash text-clay",
  ink: "bg-shade text-ink",
};

/** The picture a child is known by; beside a name it says nothing more. */
export function BadgeIcon({ n, size = 20 }: { n: number; size?: number }) {
  const { picture, tone } = badge(n);
  const Icon = icons[picture];
  return (
    <span
      aria-hidden
      data-badge={picture}
      className={clsx("inline-grid shrink-0 place-items-center rounded-full", tones[tone])}
      style={{ width: size * 1.7, height: size * 1.7 }}
    >
      <Icon size={size} strokeWidth={1.9} />
    </span>
  );
}
