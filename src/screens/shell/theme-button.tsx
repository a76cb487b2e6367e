"use client";
import { Moon, Sun } from "lucide-react";
import { useState } from "react";
import { IconButton } from "@/ui/icon-button";
import { remember } from "./remember";

/** Day or evening; kept in a cookie so that the first paint is right. */
export function ThemeButton() {
  const [, redraw] = useState(0);
  const change = () => {
    const next = document.documentElement.dataset.theme === "evening" ? "day" : "evening";
    document.documentElement.dataset.theme = next;
    remember("theme", next);
    redraw((n) => n + 1);
  };
  return (
    <IconButton name="Day or evening" onClick={change}>
      <Moon size={18} aria-hidden className="[[data-theme=evening]_&]:hidden" />
      <Sun size={18} aria-hidden className="hidden [[data-theme=evening]_&]:block" />
    </IconButton>
  );
}
