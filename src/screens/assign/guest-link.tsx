"use client";
import { useEffect, useState } from "react";
import { endGuestLink, lookAtGuests, makeGuestLink } from "@/screens/acts/guests";
import { Address } from "@/ui/address";
import { Button } from "@/ui/button";
import { tell, tellProblem } from "@/ui/toast";
import { Qr } from "../classes/qr";

/** An address by which somebody does this one piece of work without an account; there where the school allows it. */
export function GuestLink({ assignment, title }: { assignment: number; title: string }) {
  const [found, setFound] = useState<{ allowed: boolean; link: boolean } | null>(null);
  const [address, setAddress] = useState<string | null>(null);
  useEffect(() => {
    void lookAtGuests({ assignment }).then((outcome) => outcome.ok && setFound(outcome.value));
  }, [assignment]);
  if (!found?.allowed) return null;
  const make = async () => {
    const outcome = await makeGuestLink({ assignment });
    if (!outcome.ok) return tellProblem(outcome.problem);
    setAddress(outcome.value.address);
    setFound({ allowed: true, link: true });
  };
  const end = async () => {
    const outcome = await endGuestLink({ assignment });
    if (!outcome.ok) return tellProblem(outcome.problem);
    setAddress(null);
    setFound({ allowed: true, link: false });
    tell("The link for guests no longer works. What guests did is kept.");
  };
  return (
    <section aria-labelledby="guests" className="mt-5 grid gap-3 border-t border-line pt-4">
      <h3 id="guests" className="font-semibold">
        For guests
      </h3>
      <p className="text-ink-soft">
        Anyone with this address can type a name and do the work without an account, until it closes. They see nothing
        else.
      </p>
      {address && (
        <div className="grid justify-items-center gap-3">
          <Address address={address} label={`Link for guests to ${title}`} />
          <Qr text={address} label={`QR code for guests of ${title}`} className="h-40 w-40 rounded-card bg-white" />
          <p className="text-[13px] text-ink-soft">The address is shown once: copy it now.</p>
        </div>
      )}
      <div className="flex flex-wrap gap-2">
        {!address && (
          <Button onClick={() => void make()}>
            {found.link ? "Make a new link for guests" : "Make a link for guests"}
          </Button>
        )}
        {found.link && <Button onClick={() => void end()}>End the link</Button>}
      </div>
    </section>
  );
}
