"use client";
import { clsx } from "clsx";
import { Building2, Check, ChevronDown, HelpCircle, Inbox, KeyRound, LogOut, Mail, Users } from "lucide-react";
import { Link } from "@/ui/link";
import { usePathname, useRouter } from "next/navigation";
import { useState } from "react";
import { buttonClasses } from "@/ui/button";
import { useKeys } from "@/ui/keys";
import { Menu, MenuItem, MenuLabel, MenuLine } from "@/ui/menu";
import { undoLatest } from "@/ui/toast";
import { leave } from "@/screens/acts/sign-in";
import { Brand } from "./brand";
import { KeyList } from "./key-list";
import { remember } from "./remember";
import { ThemeButton } from "./theme-button";

const places = [
  { href: "/find", text: "Find" },
  { href: "/satchel", text: "Satchel" },
  { href: "/teams", text: "Teams" },
  { href: "/plan", text: "Plan" },
  { href: "/classes", text: "Classes" },
  { href: "/results", text: "Results" },
] as const;

export interface BarClass {
  id: number;
  name: string;
}

/** The bar above every teacher's page: where she is, for which class, and who she is. */
export function TopBar({
  name,
  classes,
  current,
  teaches,
  office,
  desk,
  waiting,
}: {
  name: string;
  classes: readonly BarClass[];
  current: BarClass | null;
  /** False: a curator who has no classes, and so no satchel of her own. */
  teaches: boolean;
  /** She keeps the school's calendar and rosters too. */
  office: boolean;
  /** How many offers wait for her; null: she is no curator. */
  desk: number | null;
  /** How much of children's work waits until she has looked. */
  waiting: number;
}) {
  const path = usePathname();
  const router = useRouter();
  const [keys, setKeys] = useState(false);
  const choose = (id: number) => {
    remember("class", String(id));
    router.refresh();
  };
  useKeys({ "?": () => setKeys(true), u: undoLatest });
  const initials = name
    .split(" ")
    .map((part) => part[0])
    .join("")
    .slice(0, 2);

  return (
    <header className="not-printed flex h-[46px] items-center gap-6 border-b border-line bg-card px-5 max-md:gap-2 max-md:px-3">
      <a href="#main" className="heard focus:static focus:h-auto focus:w-auto">
        Skip to the page
      </a>
      <Link href={teaches ? "/find" : "/desk"}>
        <Brand />
      </Link>
      <nav aria-label="Places" className="flex h-full max-md:min-w-0 max-md:flex-1 max-md:overflow-x-auto">
        {(teaches ? places : []).map((place) => {
          const here =
            path.startsWith(place.href) || (place.href === "/satchel" && /^\/(adapt|given|shared)/.test(path));
          return (
            <Link
              key={place.href}
              href={place.href}
              aria-current={here ? "page" : undefined}
              className={clsx(
                "flex items-center border-b-3 px-3.5 max-md:px-2",
                here ? "border-ink font-semibold" : "border-transparent text-ink-soft hover:text-ink",
              )}
            >
              {place.text}
            </Link>
          );
        })}
      </nav>
      <div className="ml-auto flex shrink-0 items-center gap-3 max-md:gap-1.5">
        {desk !== null && (
          <Link
            href="/desk"
            aria-current={path.startsWith("/desk") ? "page" : undefined}
            className={buttonClasses(path.startsWith("/desk") ? "main" : "plain")}
          >
            <Inbox size={16} aria-hidden /> Desk {desk > 0 && <span className="numbers">{desk}</span>}
          </Link>
        )}
        {(waiting > 0 || path === "/results/waiting") && (
          <Link
            href="/results/waiting"
            aria-current={path === "/results/waiting" ? "page" : undefined}
            className={buttonClasses(path === "/results/waiting" ? "main" : "plain")}
          >
            <Inbox size={16} aria-hidden /> <span className="max-md:heard">Waiting</span>{" "}
            {waiting > 0 && <span className="numbers">{waiting}</span>}
          </Link>
        )}
        {current && (
          <Menu
            trigger={
              <button type="button" className={buttonClasses()}>
                <Users size={16} aria-hidden className="max-md:hidden" />{" "}
                <span className="font-normal max-md:hidden">for</span>{" "}
                <span className="max-md:max-w-20 max-md:truncate">{current.name}</span>{" "}
                <ChevronDown size={14} aria-hidden />
              </button>
            }
          >
            <MenuLabel>The class you are choosing for</MenuLabel>
            {classes.map((group) => (
              <MenuItem key={group.id} onSelect={() => choose(group.id)}>
                <span className="w-4">{group.id === current.id && <Check size={14} aria-label="chosen" />}</span>{" "}
                {group.name}
              </MenuItem>
            ))}
          </Menu>
        )}
        <ThemeButton />
        <Menu
          trigger={
            <button
              type="button"
              aria-label={`${name}: help and signing out`}
              className="grid h-8 w-8 place-items-center rounded-full bg-green-wash text-[13px] font-bold text-green"
            >
              {initials}
            </button>
          }
        >
          <MenuLabel>{name}</MenuLabel>
          <MenuItem onSelect={() => router.push("/messages")}>
            <Mail size={16} aria-hidden /> Messages
          </MenuItem>
          <MenuItem onSelect={() => router.push("/account")}>
            <KeyRound size={16} aria-hidden /> My account
          </MenuItem>
          {office && (
            <MenuItem onSelect={() => router.push("/office")}>
              <Building2 size={16} aria-hidden /> School office
            </MenuItem>
          )}
          <MenuItem onSelect={() => router.push("/help")}>
            <HelpCircle size={16} aria-hidden /> Help
          </MenuItem>
          <MenuItem onSelect={() => setKeys(true)}>
            <span className="w-4 text-center">?</span> Keys
          </MenuItem>
          <MenuLine />
          <MenuItem onSelect={() => void leave({})}>
            <LogOut size={16} aria-hidden /> Sign out
          </MenuItem>
        </Menu>
      </div>
      <KeyList open={keys} onOpenChange={setKeys} />
    </header>
  );
}
