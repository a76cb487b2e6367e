"use client";
import { QrCode } from "lucide-react";
import { useState } from "react";
import { Address } from "@/ui/address";
import { Button } from "@/ui/button";
import { Qr } from "../classes/qr";

/** A new link, the only time it can be seen: to copy, or to hold up as a picture. */
export function NewLink({ address }: { address: string }) {
  const [pictured, setPictured] = useState(false);
  return (
    <section aria-label="The new link" className="grid gap-2 rounded-card border border-green bg-green-wash p-3">
      <Address address={address} label="The link" first>
        <Button onClick={() => setPictured(!pictured)} aria-pressed={pictured}>
          <QrCode size={16} aria-hidden /> QR
        </Button>
      </Address>
      <p className="text-[13px]">Copy it now: for safety it is not shown again. You can always make another.</p>
      {pictured && (
        <Qr text={address} label="QR code of the link" className="h-56 w-56 justify-self-center rounded-card" />
      )}
    </section>
  );
}
