"use client";
import {
  ArrowLeft,
  ArrowRight,
  CircleHelp,
  Eraser,
  Eye,
  Film,
  Hourglass,
  MessageSquare,
  Pause,
  PenLine,
  Play,
  Undo2,
  Users,
} from "lucide-react";
import { useState, type FormEvent } from "react";
import { paces, timerLeft, type LessonCommand, type LessonState } from "@/core/live/lesson";
import type { BlockOf } from "@/core/resource/block";
import { Button } from "@/ui/button";
import { IconButton } from "@/ui/icon-button";
import { Key } from "@/ui/key";
import { Menu, MenuItem, MenuLabel } from "@/ui/menu";
import { inputClasses } from "@/ui/field";
import { useKeys } from "@/ui/keys";
import { Segmented } from "@/ui/segmented";
import { formatSeconds, useClock } from "./use-clock";

/** What pair talk usually takes. Common practice: two to three minutes. */
const usualTimers = [60, 120, 180, 300, 600];

function TimerControl({
  state,
  ahead,
  label,
  lead,
}: {
  state: LessonState;
  ahead: number;
  label: string;
  lead: (asked: LessonCommand) => void;
}) {
  const now = useClock(ahead, 250);
  const { timer } = state;
  if (!timer)
    return (
      <Menu
        trigger={
          <Button>
            <Hourglass size={16} aria-hidden /> Timer …
          </Button>
        }
      >
        <MenuLabel>{label}: everybody sees it, and it ends by itself</MenuLabel>
        {usualTimers.map((seconds) => (
          <MenuItem key={seconds} onSelect={() => lead({ do: "start timer", label, seconds })}>
            {seconds === 60 ? "1 minute" : `${seconds / 60} minutes`}
          </MenuItem>
        ))}
      </Menu>
    );
  const left = now === null ? timer.left : timerLeft(timer, now);
  return (
    <div className="flex h-9 items-center gap-1 rounded-card border border-ink bg-card pl-3">
      <span role="timer" className={`numbers font-semibold ${left <= 0 ? "text-clay" : ""}`}>
        {timer.label} {left <= 0 ? "over" : formatSeconds(left)}
      </span>
      {left > 0 && (
        <IconButton
          name={timer.ends === null ? "Go on" : "Hold the timer"}
          small
          onClick={() => lead({ do: timer.ends === null ? "run timer" : "hold timer" })}
        >
          {timer.ends === null ? <Play size={15} aria-hidden /> : <Pause size={15} aria-hidden />}
        </IconButton>
      )}
      <Button size="small" look="quiet" onClick={() => lead({ do: "add to timer", seconds: 30 })}>
        +30 s
      </Button>
      <Button size="small" look="quiet" onClick={() => lead({ do: "end timer" })}>
        End
      </Button>
    </div>
  );
}

/** A line for every screen, beside the step. Empty, it goes. */
function NoteControl({ note, lead }: { note: string; lead: (asked: LessonCommand) => void }) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState(note);
  useKeys({ t: () => setOpen(true) });
  const send = (event: FormEvent) => {
    event.preventDefault();
    if (text !== note) lead({ do: "note", text });
    setOpen(false);
  };
  if (!open)
    return (
      <Button aria-expanded={false} onClick={() => setOpen(true)} title={note || undefined}>
        <MessageSquare size={16} aria-hidden /> {note ? "Note on" : "Note"} <Key>t</Key>
      </Button>
    );
  return (
    <form onSubmit={send} className="flex gap-1">
      <input
        autoFocus
        aria-label="A note for everybody"
        placeholder="A note for every screen"
        maxLength={400}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => event.key === "Escape" && setOpen(false)}
        className={`${inputClasses} !w-64`}
      />
      <Button type="submit">{text === "" && note !== "" ? "Take away" : "Show"}</Button>
    </form>
  );
}

/** A choice made with the mouse does not keep the arrow keys: they go from step to step. */
const letGo = () =>
  setTimeout(() => {
    const { activeElement } = document;
    if (activeElement instanceof HTMLElement && activeElement.role === "radio") activeElement.blur();
  }, 0);

/** What a teacher does for all screens at once. */
export function LeadControls({
  state,
  ahead,
  film,
  work,
  pen,
  first,
  next,
  lead,
  onPen,
  onQuick,
  onWork,
  onMove,
}: {
  state: LessonState;
  ahead: number;
  /** A film of this step. */
  film: BlockOf<"film"> | null;
  /** How students work on it: what the timer is called. */
  work: string;
  pen: boolean;
  first: boolean;
  /** The title of the next step; null: this is the last. */
  next: string | null;
  lead: (asked: LessonCommand) => void;
  onPen: () => void;
  onQuick: () => void;
  /** Opens how the step is worked on. */
  onWork: () => void;
  onMove: (by: number) => void;
}) {
  return (
    <footer onPointerUp={letGo} className="grid gap-2 border-t border-line bg-card px-5 py-2.5">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <span className="flex items-center gap-2">
          <span className="text-[13px] text-ink-soft">Pace</span>
          <Segmented
            label="Pace"
            value={state.pace}
            options={paces.map((value) => ({ value, text: value }))}
            onChange={(pace) => lead({ do: "pace", pace })}
          />
        </span>
        <Button onClick={onWork} title="Alone, in pairs, in groups, all together">
          <Users size={16} aria-hidden /> {work} <Key>g</Key>
        </Button>
        {film && (
          <span className="flex items-center gap-2">
            <span className="flex items-center gap-1 text-[13px] text-ink-soft">
              <Film size={15} aria-hidden /> Film
            </span>
            <Segmented
              label="Where the film runs"
              value={state.film}
              options={[
                { value: "board", text: "board only" },
                { value: "every screen", text: "every screen" },
              ]}
              onChange={(where) => lead({ do: "film", where })}
            />
            {state.playing ? (
              <Button onClick={() => lead({ do: "stop film" })}>
                <Pause size={16} aria-hidden /> Stop
              </Button>
            ) : (
              <Button onClick={() => lead({ do: "play", block: film.id, from: film.from ?? 0 })}>
                <Play size={16} aria-hidden /> Start together
              </Button>
            )}
          </span>
        )}
        <span className="ml-auto flex gap-2">
          {state.pen.length > 0 && (
            <>
              <IconButton name="Take the last line back" onClick={() => lead({ do: "take back stroke" })}>
                <Undo2 size={16} aria-hidden />
              </IconButton>
              <IconButton name="Wipe all lines away" onClick={() => lead({ do: "wipe" })}>
                <Eraser size={16} aria-hidden />
              </IconButton>
            </>
          )}
          <NoteControl key={state.note} note={state.note} lead={lead} />
          <TimerControl state={state} ahead={ahead} label={work === "Alone" ? "Time" : work} lead={lead} />
        </span>
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <Button
          aria-pressed={state.eyesUp}
          look={state.eyesUp ? "clay" : "plain"}
          onClick={() => lead({ do: "eyes up", up: !state.eyesUp })}
        >
          <Eye size={16} aria-hidden /> {state.eyesUp ? "Let them go on" : "All eyes up"} <Key>y</Key>
        </Button>
        <Button aria-pressed={pen} onClick={onPen} className={pen ? "!border-ink !bg-ink !text-paper" : ""}>
          <PenLine size={16} aria-hidden /> {pen ? "Pen on" : "Pen"} <Key>p</Key>
        </Button>
        <Button onClick={onQuick}>
          <CircleHelp size={16} aria-hidden /> Quick question <Key>q</Key>
        </Button>
        <span className="ml-auto flex gap-2">
          <Button disabled={first} onClick={() => onMove(-1)}>
            <ArrowLeft size={16} aria-hidden /> Before <Key>←</Key>
          </Button>
          <Button look="main" disabled={next === null} onClick={() => onMove(1)}>
            <span className="max-w-56 truncate">{next === null ? "Last step" : `Next: ${next}`}</span>
            <ArrowRight size={16} aria-hidden /> <Key>→</Key>
          </Button>
        </span>
      </div>
    </footer>
  );
}
