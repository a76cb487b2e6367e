"use client";
import { Columns3, X } from "lucide-react";
import { Link } from "@/ui/link";
import { buttonClasses } from "@/ui/button";
import { IconButton } from "@/ui/icon-button";
import { Key } from "@/ui/key";

/** What waits to be compared: a word on how to begin, then the way to the table. */
export function CompareTray({ ids, onClear }: { ids: readonly number[]; onClear: () => void }) {
  if (ids.length === 0) {
    return (
      <span className="flex items-center gap-1.5 text-[13px] text-ink-soft">
        Compare <Key>c</Key>
      </span>
    );
  }
  return (
    <span className="flex items-center gap-1 text-[13px]" role="status">
      {ids.length === 1 ? (
        <span className="text-ink-soft">1 to compare; add another with c</span>
      ) : (
        <Link href={`/find/compare?of=${ids.join(",")}`} className={buttonClasses("plain", "small")}>
          <Columns3 size={14} aria-hidden /> Compare {ids.length}
        </Link>
      )}
      <IconButton name="Clear" small onClick={onClear}>
        <X size={14} aria-hidden />
      </IconButton>
    </span>
  );
}
