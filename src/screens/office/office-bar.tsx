"use client";
import { LogOut } from "lucide-react";
import { Link } from "@/ui/link";
import { leave } from "@/screens/acts/sign-in";
import { Button, buttonClasses } from "@/ui/button";
import { useKeys } from "@/ui/keys";
import { undoLatest } from "@/ui/toast";
import { Brand } from "../shell/brand";
import { ThemeButton } from "../shell/theme-button";

export function OfficeBar({
  name,
  school,
  elsewhere,
}: {
  name: string;
  school: string;
  /** The pages she has besides; null: none. */
  elsewhere: { href: string; text: string } | null;
}) {
  useKeys({ u: undoLatest });
  return (
    <header className="flex h-[46px] items-center gap-4 border-b border-line bg-card px-5">
      <Brand />
      <span className="flex-1 text-ink-soft">
        Office of {school} · {name}
      </span>
      {elsewhere && (
        <Link href={elsewhere.href} className={buttonClasses("quiet", "small")}>
          {elsewhere.text}
        </Link>
      )}
      <Link href="/account" className={buttonClasses("quiet", "small")}>
        My account
      </Link>
      <ThemeButton />
      <Button size="small" onClick={() => void leave({})}>
        <LogOut size={14} aria-hidden /> Sign out
      </Button>
    </header>
  );
}
