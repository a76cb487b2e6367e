import {
  Anchor,
  Bell,
  Bird,
  Cloud,
  Feather,
  Fish,
  Moon,
  Sailboat,
  Shell,
  Star,
  Sun,
  TreePine,
  type LucideIcon,
} from "lucide-react";
import type { Picture } from "@/core/student/pictures";

export const pictureIcons: Record<Picture, LucideIcon> = {
  anchor: Anchor,
  bell: Bell,
  bird: Bird,
  boat: Sailboat,
  cloud: Cloud,
  feather: Feather,
  fish: Fish,
  moon: Moon,
  shell: Shell,
  star: Star,
  sun: Sun,
  tree: TreePine,
};
