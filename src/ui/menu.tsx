"use client";
import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";

export function Menu({
  trigger,
  children,
  align = "end",
  leaveFocus = false,
}: {
  trigger: ReactNode;
  children: ReactNode;
  align?: "start" | "end";
  /** What an item opened keeps the focus; otherwise it goes back to the trigger. */
  leaveFocus?: boolean;
}) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild>{trigger}</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align={align}
          sideOffset={6}
          onCloseAutoFocus={(event) => leaveFocus && event.preventDefault()}
          className="z-50 max-h-[70vh] min-w-52 overflow-auto rounded-card border border-line bg-card p-1 shadow-soft"
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

export function MenuItem({
  onSelect,
  children,
  disabled,
}: {
  onSelect: () => void;
  children: ReactNode;
  disabled?: boolean;
}) {
  return (
    <DropdownMenu.Item
      onSelect={onSelect}
      disabled={disabled ?? false}
      className="flex min-h-8 cursor-pointer items-center gap-2 rounded px-2.5 outline-none data-[disabled]:opacity-50 data-[highlighted]:bg-green-wash"
    >
      {children}
    </DropdownMenu.Item>
  );
}

export function MenuLabel({ children }: { children: ReactNode }) {
  return <DropdownMenu.Label className="px-2.5 py-1 text-[12px] text-ink-soft">{children}</DropdownMenu.Label>;
}

export const MenuLine = () => <DropdownMenu.Separator className="my-1 h-px bg-line" />;
