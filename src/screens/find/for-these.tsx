"use client";
import { Users, X } from "lucide-react";
import { Link } from "@/ui/link";
import { forTheseAs } from "@/core/assign/for-these";
import { formatList } from "@/core/format-list";
import type { WhoFor } from "@/server/find/who-for";
import { IconButton } from "@/ui/icon-button";
import { useAddress } from "../use-address";

/** Says for whom something is looked for: what is assigned from here goes to them. */
export function ForThese({ names, after }: WhoFor) {
  const { go } = useAddress();
  return (
    <p className="mb-2 flex w-fit max-w-full items-center gap-2 rounded-card bg-green-wash px-3 py-1 text-[13px]">
      <Users size={15} aria-hidden className="shrink-0" />
      <span>
        For <strong>{formatList(names)}</strong>
        {after && (
          <>
            , after{" "}
            <Link href={`/results?assignment=${after.id}&next=1`} className="underline">
              {after.title}
            </Link>
          </>
        )}
        . What you assign goes to {names.length === 1 ? "this child" : "these children"}.
      </span>
      <IconButton name="For everyone again" small onClick={() => go(forTheseAs(null))}>
        <X size={14} aria-hidden />
      </IconButton>
    </p>
  );
}
