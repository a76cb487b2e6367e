"use client";
import { clsx } from "clsx";
import { Dialog as Radix } from "radix-ui";
import { X } from "lucide-react";
import type { ReactNode } from "react";
import { buttonClasses } from "./button";

/** For one short decision that needs nothing behind it to be seen. Escape closes it. */
export function Dialog({
  open,
  onOpenChange,
  title,
  wide = false,
  children,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  title: string;
  /** For a table of students beside a form. */
  wide?: boolean;
  children: ReactNode;
}) {
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-[rgb(0_0_0/0.3)]" />
        <Radix.Content
          aria-describedby={undefined}
          className={clsx(
            "fixed top-1/2 left-1/2 z-50 max-h-[90vh] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-card border border-line bg-card p-6 shadow-soft",
            wide ? "w-[min(52rem,calc(100vw-2rem))]" : "w-[min(34rem,calc(100vw-2rem))]",
          )}
        >
          <div className="mb-3 flex items-start justify-between gap-4">
            <Radix.Title className="font-serif text-xl">{title}</Radix.Title>
            {/* No tip on this one: the first Escape would close the tip and not the dialog. */}
            <Radix.Close aria-label="Close" className={buttonClasses("quiet", "small")}>
              <X size={16} aria-hidden />
            </Radix.Close>
          </div>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
