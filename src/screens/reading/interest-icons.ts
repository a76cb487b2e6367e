import {
  Bird,
  Cat,
  CloudLightning,
  Cog,
  Mail,
  Moon,
  Music,
  Sailboat,
  Sprout,
  TowerControl,
  Wheat,
  Croissant,
  type LucideIcon,
} from "lucide-react";
import type { Interest } from "@/core/reading/interests";

export const interestIcons: Record<Interest, LucideIcon> = {
  lighthouses: TowerControl,
  boats: Sailboat,
  birds: Bird,
  animals: Cat,
  storms: CloudLightning,
  plants: Sprout,
  farm: Wheat,
  music: Music,
  stars: Moon,
  machines: Cog,
  people: Mail,
  food: Croissant,
};
