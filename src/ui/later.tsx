"use client";
import { Component, lazy, Suspense, useState, type ComponentType, type ReactNode } from "react";
import { CloudOff } from "lucide-react";
import { buttonClasses } from "./button";

/** Catches that a part could not be loaded, so that the page around it, and what was written in it, stays. */
export class Boundary extends Component<{ onAgain?: () => void; children: ReactNode }, { failed: boolean }> {
  override state = { failed: false };
  static getDerivedStateFromError = () => ({ failed: true });
  override render() {
    if (!this.state.failed) return this.props.children;
    return (
      <div
        role="alert"
        className="flex flex-wrap items-center gap-3 rounded-card border border-line bg-shade px-4 py-3"
      >
        <CloudOff size={18} aria-hidden />
        <p className="flex-1">This part could not be loaded. Everything you have written is still here.</p>
        <button
          type="button"
          className={buttonClasses()}
          onClick={() => {
            this.props.onAgain?.();
            this.setState({ failed: false });
          }}
        >
          Try again
        </button>
      </div>
    );
  }
}

/**
 * A part of the page that is loaded when it is first needed. Without a network it says so in its own place and can be tried
 * again; the rest of the page stays as it is.
 *
 *     const ChangesView = later(() => import("./changes-view").then((part) => part.ChangesView));
 */
export function later<Props extends object>(load: () => Promise<ComponentType<Props>>): ComponentType<Props> {
  const make = () => lazy(async () => ({ default: await load() }));
  let newest = make();
  return function Later(props: Props) {
    const [Part, setPart] = useState(() => newest);
    return (
      <Boundary
        onAgain={() => {
          newest = make();
          setPart(() => newest);
        }}
      >
        <Suspense fallback={<p className="text-ink-soft">One moment …</p>}>
          <Part {...props} />
        </Suspense>
      </Boundary>
    );
  };
}
