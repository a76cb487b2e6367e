"use client";
import { clsx } from "clsx";
import type { ComponentProps, ReactNode } from "react";
import { buttonClasses, type ButtonLook } from "./button";
import { Tip } from "./tip";

/** A button that shows only a picture: its name is heard, and seen on hover and focus. */
export function IconButton({
  name,
  look = "quiet",
  small,
  className,
  children,
  ...rest
}: ComponentProps<"button"> & { name: string; look?: ButtonLook; small?: boolean; children: ReactNode }) {
  return (
    <Tip text={name}>
      <button
        type="button"
        aria-label={name}
        className={clsx(buttonClasses(look), small ? "!h-7 w-7 !px-0" : "w-9 !px-0", className)}
        {...rest}
      >
        {children}
      </button>
    </Tip>
  );
}
