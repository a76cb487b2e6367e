"use client";
import { useEffect, useState } from "react";
import { Address } from "@/ui/address";
import { Dialog } from "@/ui/dialog";
import { GuestLink } from "./guest-link";
import { Qr } from "../classes/qr";

/** A piece of work to lead students to, and what it is called beside the others. */
export interface Linked {
  id: number;
  title: string;
}

const EVENT = "assignment-links";

/** Shows the links of pieces of work, to paste anywhere or to hold up as a picture. */
export const showLinks = (works: readonly Linked[]): void => {
  window.dispatchEvent(new CustomEvent(EVENT, { detail: works }));
};

const addressOf = ({ id }: Linked) => `${window.location.origin}/student/${id}`;

function OneLink({ work, alone }: { work: Linked; alone: boolean }) {
  const address = addressOf(work);
  return (
    <li className="grid justify-items-center gap-3">
      {!alone && <p className="w-full font-semibold">{work.title}</p>}
      <Address address={address} label={`Link to ${work.title}`} first={alone} />
      <Qr
        text={address}
        label={`QR code of the link to ${work.title}`}
        className={alone ? "h-56 w-56 rounded-card" : "h-32 w-32 rounded-card"}
      />
    </li>
  );
}

/** Where the links are shown, whatever asked for them. */
export function AssignmentLinks() {
  const [works, setWorks] = useState<readonly Linked[]>([]);
  useEffect(() => {
    const show = (event: Event) => setWorks((event as CustomEvent<readonly Linked[]>).detail);
    window.addEventListener(EVENT, show);
    return () => window.removeEventListener(EVENT, show);
  }, []);
  const [first] = works;
  if (!first) return null;
  const alone = works.length === 1;
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && setWorks([])}
      title={alone ? `Link to “${first.title}”` : "Links to the work"}
    >
      <p className="mb-3 text-ink-soft">
        Students sign in, or use the class code, and come straight to the work. Nobody else can see it.
      </p>
      <ul className="grid max-h-[60vh] gap-5 overflow-auto">
        {works.map((work) => (
          <OneLink key={work.id} work={work} alone={alone} />
        ))}
      </ul>
      {alone && <GuestLink assignment={first.id} title={first.title} />}
    </Dialog>
  );
}
