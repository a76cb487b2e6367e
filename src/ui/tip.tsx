"use client";
import { Tooltip } from "radix-ui";
import type { ReactNode } from "react";

export const TipProvider = ({ children }: { children: ReactNode }) => (
  <Tooltip.Provider delayDuration={400}>{children}</Tooltip.Provider>
);

/** A word or two about the one element inside, on hover and focus. */
export function Tip({ text, children }: { text: ReactNode; children: ReactNode }) {
  return (
    <Tooltip.Root>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      <Tooltip.Portal>
        <Tooltip.Content sideOffset={6} className="z-50 max-w-72 rounded-card bg-ink px-2 py-1 text-[13px] text-paper">
          {text}
        </Tooltip.Content>
      </Tooltip.Portal>
    </Tooltip.Root>
  );
}
