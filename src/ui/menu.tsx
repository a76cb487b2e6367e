"use client";
import { DropdownMenu } from "radix-ui";
import {
  cloneElement,
  useEffect,
  useRef,
  useState,
  type KeyboardEvent,
  type MouseEvent,
  type ReactElement,
  type ReactNode,
} from "react";

interface TriggerProps {
  onClick?: (event: MouseEvent) => void;
  onKeyDown?: (event: KeyboardEvent) => void;
  "aria-haspopup"?: "menu";
  "aria-expanded"?: boolean;
}

/** A button with a menu. What the menu needs is made when it is first opened: a long list has one in every line. */
export function Menu({
  trigger,
  children,
  align = "end",
  leaveFocus = false,
}: {
  trigger: ReactElement<TriggerProps>;
  children: ReactNode;
  align?: "start" | "end";
  /** What an item opened keeps the focus; otherwise it goes back to the trigger. */
  leaveFocus?: boolean;
}) {
  const [opened, setOpened] = useState<"by mouse" | "by keys" | null>(null);
  const content = useRef<HTMLDivElement>(null);
  // Opened with the keyboard, the first item has the focus: as it is from the second time on.
  useEffect(() => {
    if (opened !== "by keys") return;
    const frame = requestAnimationFrame(() =>
      content.current?.querySelector<HTMLElement>('[role^="menuitem"]:not([data-disabled])')?.focus(),
    );
    return () => cancelAnimationFrame(frame);
  }, [opened]);
  if (!opened)
    return cloneElement(trigger, {
      "aria-haspopup": "menu",
      "aria-expanded": false,
      onClick: (event) => setOpened(event.detail === 0 ? "by keys" : "by mouse"),
      onKeyDown: (event) => {
        if (event.key !== "ArrowDown") return;
        event.preventDefault();
        setOpened("by keys");
      },
    });
  return (
    <DropdownMenu.Root modal={false} defaultOpen>
      <DropdownMenu.Trigger asChild>{trigger}</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          ref={content}
          align={align}
          sideOffset={6}
          onCloseAutoFocus={(event) => leaveFocus && event.preventDefault()}
          className="z-50 max-h-[min(70vh,var(--radix-dropdown-menu-content-available-height))] max-w-80 min-w-52 overflow-auto rounded-card border border-line bg-card p-1 shadow-soft"
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

export function MenuItem({
  onSelect,
  onCtrlEnter,
  children,
  disabled,
}: {
  onSelect: () => void;
  /** What Enter with Ctrl does instead. */
  onCtrlEnter?: () => void;
  children: ReactNode;
  disabled?: boolean;
}) {
  return (
    <DropdownMenu.Item
      onSelect={onSelect}
      onKeyDown={(event) => {
        if (!onCtrlEnter || event.key !== "Enter" || !(event.ctrlKey || event.metaKey)) return;
        event.preventDefault();
        onCtrlEnter();
      }}
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
