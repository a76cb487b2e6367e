"use client";
import { clsx } from "clsx";
import { CircleAlert, CircleCheck } from "lucide-react";
import { useEffect, useEffectEvent, useRef, useState, type KeyboardEvent } from "react";
import type { Offer, Piece } from "@/core/assign/typed/piece";
import { takeOffer } from "@/core/assign/typed/take-offer";
import { Button } from "@/ui/button";
import { Key } from "@/ui/key";
import { takeKeys } from "@/ui/keys-ahead";

const LINE_ID = "assign-line";

/** To the line that is open already. */
export const focusAssignLine = (): void => document.getElementById(LINE_ID)?.focus();

/** Letters of the line and of what lies beneath it stand at the same place. */
const lineText = "px-2.5 py-2 text-[15px] leading-6 whitespace-pre font-sans";

/** Draws a line under each piece, where it stands in the text. */
function Underlines({ line, pieces, at }: { line: string; pieces: readonly Piece[]; at: Piece | undefined }) {
  const starts = pieces.map((_, n) => pieces[n - 1]?.to ?? 0);
  return (
    <>
      {pieces.map((piece, n) => (
        <span key={piece.from}>
          {line.slice(starts[n], piece.from)}
          <span
            className={clsx(
              "border-b-2 pb-0.5",
              piece.problem ? "border-dashed border-clay" : "border-green",
              piece === at && "bg-green-wash",
            )}
          >
            {line.slice(piece.from, piece.to)}
          </span>
        </span>
      ))}
      {line.slice(pieces.at(-1)?.to ?? 0)}
    </>
  );
}

function Chip({ piece, chosen, onChoose }: { piece: Piece; chosen: boolean; onChoose: () => void }) {
  const Icon = piece.problem ? CircleAlert : CircleCheck;
  return (
    <li className="min-w-0">
      <button
        type="button"
        onClick={onChoose}
        tabIndex={-1}
        aria-label={`${piece.label}: ${piece.said}`}
        className={clsx(
          "block max-w-72 rounded-card border bg-card px-2.5 py-1 text-left leading-tight",
          piece.problem ? "border-dashed border-clay text-clay" : chosen ? "border-ink" : "border-line",
        )}
      >
        <span className={clsx("flex items-center gap-1 text-[12px]", !piece.problem && "text-ink-soft")}>
          <Icon size={12} aria-hidden className={piece.problem ? "" : "text-green"} /> {piece.label}
        </span>
        <span className="block truncate text-[14px] font-semibold" title={piece.said}>
          {piece.said}
        </span>
      </button>
    </li>
  );
}

/**
 * The line to assign with: what is typed is read at once and shown piece by piece. `onEnter` is told when she is done; `example`
 * shows what could be typed.
 */
export function AssignLine({
  line,
  pieces,
  example,
  onLine,
  onEnter,
}: {
  line: string;
  pieces: readonly Piece[];
  example: string;
  onLine: (line: string) => void;
  onEnter: () => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const [caret, setCaret] = useState(0);
  const [scrolled, setScrolled] = useState(0);
  const come = useEffectEvent(() => {
    input.current?.focus();
    const { text, enter } = takeKeys();
    if (text) onLine(text);
    if (enter) onEnter();
  });
  useEffect(() => come(), []);
  const at = pieces.find(({ from, to }) => caret > from && caret <= to);
  const wrong = pieces.filter(({ problem }) => problem !== null);
  const place = (from: number, to: number) => {
    input.current?.focus();
    input.current?.setSelectionRange(from, to);
    setCaret(to);
  };
  const take = (piece: Piece, offer: Offer) => {
    const taken = takeOffer(line, piece, offer);
    onLine(taken.line);
    requestAnimationFrame(() => place(taken.caret, taken.caret));
  };
  const onKey = (event: KeyboardEvent) => {
    // With Ctrl it is the panel's, which passes over what was not understood.
    if (event.key !== "Enter" || event.ctrlKey || event.metaKey || event.nativeEvent.isComposing) return;
    event.preventDefault();
    event.stopPropagation();
    onEnter();
  };
  return (
    <div className="grid gap-2">
      <div className="relative overflow-hidden rounded-card border-2 border-green bg-card">
        <div
          aria-hidden
          className={clsx(lineText, "pointer-events-none absolute inset-y-0 left-0 text-transparent")}
          style={{ transform: `translateX(${-scrolled}px)` }}
        >
          <Underlines line={line} pieces={pieces} at={at} />
        </div>
        <input
          ref={input}
          id={LINE_ID}
          aria-label="Assign in one line"
          aria-describedby="assign-line-read"
          placeholder={example}
          maxLength={2000}
          spellCheck={false}
          autoComplete="off"
          value={line}
          onChange={(event) => {
            onLine(event.target.value);
            setCaret(event.target.selectionStart ?? 0);
          }}
          onSelect={(event) => setCaret(event.currentTarget.selectionStart ?? 0)}
          onScroll={(event) => setScrolled(event.currentTarget.scrollLeft)}
          onKeyDown={onKey}
          className={clsx(
            lineText,
            "relative block w-full bg-transparent text-ink outline-none placeholder:text-ink-soft",
          )}
        />
      </div>
      <div id="assign-line-read">
        {pieces.length > 0 && (
          <ul aria-label="What the line says" className="flex flex-wrap gap-1.5">
            {pieces.map((piece) => (
              <Chip key={piece.from} piece={piece} chosen={piece === at} onChoose={() => place(piece.from, piece.to)} />
            ))}
          </ul>
        )}
      </div>
      {wrong.map((piece) => (
        <div
          key={piece.from}
          role="status"
          className="flex flex-wrap items-center gap-x-3 gap-y-1 border-l-3 border-clay bg-clay-wash py-1.5 pr-2 pl-3 text-[14px]"
        >
          <span className="min-w-40 flex-1">{piece.problem}</span>
          {piece.offers.map((offer, n) => (
            <Button key={offer.text} size="small" onClick={() => take(piece, offer)}>
              {offer.text} {n === 0 && piece === wrong[0] && <Key>tab</Key>}
            </Button>
          ))}
        </div>
      ))}
    </div>
  );
}
