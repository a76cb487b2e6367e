"use client";
import { ChevronDown, ChevronRight } from "lucide-react";
import { useState, type ReactNode } from "react";

/** A part of a form that most people leave closed. */
export function Fold({
  title,
  onOpen,
  children,
}: {
  title: string;
  /** When it is opened, for what is only needed then. */
  onOpen?: () => void;
  children: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  return (
    <div>
      <button
        type="button"
        aria-expanded={open}
        onClick={() => {
          if (!open) onOpen?.();
          setOpen(!open);
        }}
        className="flex items-center gap-1 text-[13px] font-semibold text-green"
      >
        {open ? <ChevronDown size={14} aria-hidden /> : <ChevronRight size={14} aria-hidden />} {title}
      </button>
      {open && <div className="mt-2">{children}</div>}
    </div>
  );
}
