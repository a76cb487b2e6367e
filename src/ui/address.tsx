"use client";
import type { ReactNode } from "react";
import { Button } from "./button";
import { TextInput } from "./field";
import { tell, tellProblem } from "./toast";

/** Puts an address where it can be pasted from, and says so; a browser may not allow it. */
export async function copyAddress(address: string): Promise<void> {
  try {
    await navigator.clipboard.writeText(address);
    tell("Copied.");
  } catch {
    tellProblem("Your browser blocked copying. Select the address and copy it.");
  }
}

/** An address to copy: all of it is selected when it has the focus, and Enter copies it. `label`: what it is the address of; `first`: it is what is wanted here. */
export function Address({
  address,
  label,
  first = false,
  children,
}: {
  address: string;
  label: string;
  first?: boolean;
  children?: ReactNode;
}) {
  return (
    <div className="flex w-full gap-2">
      <TextInput
        readOnly
        aria-label={label}
        value={address}
        onFocus={(event) => event.target.select()}
        onKeyDown={(event) => {
          if (event.key !== "Enter") return;
          // In a form it would send that.
          event.preventDefault();
          void copyAddress(address);
        }}
        className="min-w-0 flex-1"
      />
      <Button look={first ? "main" : "plain"} autoFocus={first} onClick={() => void copyAddress(address)}>
        Copy
      </Button>
      {children}
    </div>
  );
}
