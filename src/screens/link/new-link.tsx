"use client";
import { QrCode } from "lucide-react";
import { useState } from "react";
import { Button } from "@/ui/button";
import { TextInput } from "@/ui/field";
import { tell, tellProblem } from "@/ui/toast";
import { Qr } from "../classes/qr";

/** A new link, the only time it can be seen: to copy, or to hold up as a picture. */
export function NewLink({ address }: { address: string }) {
  const [pictured, setPictured] = useState(false);
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(address);
      tell("The link is copied.");
    } catch {
      tellProblem("Your browser blocked copying. Select the address and copy it.");
    }
  };
  return (
    <section aria-label="The new link" className="grid gap-2 rounded-card border border-green bg-green-wash p-3">
      <div className="flex gap-2">
        <TextInput
          readOnly
          autoFocus
          aria-label="The link"
          value={address}
          onFocus={(event) => event.target.select()}
          className="min-w-0 flex-1"
        />
        <Button look="main" onClick={() => void copy()}>
          Copy
        </Button>
        <Button onClick={() => setPictured(!pictured)} aria-pressed={pictured}>
          <QrCode size={16} aria-hidden /> QR
        </Button>
      </div>
      <p className="text-[13px]">Copy it now: for safety it is not shown again. You can always make another.</p>
      {pictured && (
        <Qr text={address} label="QR code of the link" className="h-56 w-56 justify-self-center rounded-card" />
      )}
    </section>
  );
}
