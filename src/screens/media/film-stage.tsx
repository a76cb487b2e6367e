"use client";
import { clsx } from "clsx";
import { Captions, Pause, Play, RotateCcw } from "lucide-react";
import { useEffect, useImperativeHandle, useRef, useState, type Ref } from "react";
import { clockTime } from "@/core/media/captions";
import { within } from "@/core/media/stops";
import type { BlockOf } from "@/core/resource/block";
import { Menu, MenuItem } from "@/ui/menu";
import { mediaAddress } from "../step/media";
import { nativeLanguageName } from "./native-language-name";
import { useTranslations } from "use-intl";

export interface Stage {
  /** Where the film stands, seconds from the beginning of the file. */
  at: number;
  goTo: (seconds: number) => void;
  play: () => void;
  pause: () => void;
}

function showCaptions(video: HTMLVideoElement | null, language: string | null): void {
  for (const track of video?.textTracks ?? []) track.mode = track.language === language ? "showing" : "disabled";
}

/**
 * A film with its controls: the part that is shown, captions, and marks on its line. `onMove` hears of every moment it
 * comes to while it plays; `farthest` is how far one may jump ahead.
 */
export function FilmStage({
  block,
  languages,
  stage,
  farthest,
  marks,
  mayPlay,
  onMove,
  onLength,
}: {
  block: BlockOf<"film">;
  languages: readonly string[];
  stage: Ref<Stage>;
  farthest?: number;
  marks: readonly { id: string; at: number; done: boolean }[];
  /** Asked whenever it begins to play, however that was done: whether it may go on from where it stands. */
  mayPlay?: (at: number) => boolean;
  onMove?: (from: number, to: number) => void;
  onLength?: (seconds: number) => void;
}) {
  const t = useTranslations("film");
  const read = useTranslations("read");
  const video = useRef<HTMLVideoElement>(null);
  const from = block.from ?? 0;
  const [length, setLength] = useState(0);
  const [playing, setPlaying] = useState(false);
  const [at, setAt] = useState(from);
  /** Why it does not run: it cannot be shown, or this browser starts nothing by itself before something was pressed. */
  const [failed, setFailed] = useState<"cannot" | "press" | null>(null);
  // Until somebody chooses, captions are in the language that is read.
  const [chosen, setCaptions] = useState<string | null | undefined>();
  const captions =
    chosen === undefined ? (languages.find((language) => block.captions[language] !== undefined) ?? null) : chosen;
  const to = Math.min(block.to ?? Infinity, length || Infinity);
  const last = useRef(at);
  const asked = useRef({ onMove, mayPlay });
  useEffect(() => {
    asked.current = { onMove, mayPlay };
  });

  const goTo = (seconds: number) => {
    const place = within(seconds, from, to);
    last.current = place;
    setAt(place);
    if (video.current) video.current.currentTime = place;
  };
  const play = () => {
    if (Number.isFinite(to) && last.current >= to - 0.05) goTo(from);
    video.current?.play().catch((error: DOMException) => {
      if (error.name !== "AbortError") setFailed(error.name === "NotAllowedError" ? "press" : "cannot");
    });
  };
  const pause = () => video.current?.pause();
  useImperativeHandle(stage, () => ({ at, goTo, play, pause }));

  // Looked at on every frame: the event for it comes four times a second, which is too coarse to stop at a moment.
  useEffect(() => {
    if (!playing) return;
    let frame = 0;
    const look = () => {
      const now = video.current?.currentTime ?? last.current;
      const before = last.current;
      if (now > before) {
        last.current = now;
        setAt(now);
        if (now >= to) video.current?.pause();
        asked.current.onMove?.(before, now);
      }
      frame = requestAnimationFrame(look);
    };
    frame = requestAnimationFrame(look);
    return () => cancelAnimationFrame(frame);
  }, [playing, to]);

  const known = (element: HTMLVideoElement) => {
    setLength(element.duration);
    onLength?.(element.duration);
    element.currentTime = last.current;
  };
  const opened = useRef(known);
  useEffect(() => {
    opened.current = known;
  });
  useEffect(() => {
    // On a page that came ready from the server its length may have been known before anybody listened.
    if (video.current && video.current.readyState >= HTMLMediaElement.HAVE_METADATA) opened.current(video.current);
  }, []);

  useEffect(() => {
    showCaptions(video.current, captions);
  }, [captions, length]);

  const shown = Number.isFinite(to) ? to - from : 0;
  const along = (seconds: number) =>
    shown > 0 ? `${Math.max(0, Math.min(1, (seconds - from) / shown)) * 100}%` : "0%";
  const offered = Object.keys(block.captions);
  return (
    <div className="grid gap-2">
      <video
        ref={video}
        src={mediaAddress(block.media)}
        preload="auto"
        playsInline
        onClick={() => (playing ? pause() : play())}
        onLoadedMetadata={(event) => known(event.currentTarget)}
        onPlay={() => {
          setFailed(null);
          if (asked.current.mayPlay?.(last.current) === false) pause();
          else setPlaying(true);
        }}
        onPause={() => setPlaying(false)}
        onError={() => setFailed("cannot")}
        className="max-h-[26rem] w-full rounded-card border border-line bg-[black]"
      >
        {Object.entries(block.captions).map(([language, media]) => (
          <track
            key={language}
            kind="captions"
            srcLang={language}
            src={mediaAddress(media)}
            label={nativeLanguageName(language)}
          />
        ))}
      </video>
      {failed && (
        <p role="alert" className={failed === "cannot" ? "text-clay" : "font-bold"}>
          {t(failed)}
        </p>
      )}
      <div className="flex items-center gap-2">
        <button
          type="button"
          onClick={() => (playing ? pause() : play())}
          aria-label={t(playing ? "pause" : "play")}
          className="grid h-12 w-12 shrink-0 place-items-center rounded-full border-2 border-green text-green"
        >
          {playing ? (
            <Pause size={22} aria-hidden />
          ) : at >= to - 0.05 && shown > 0 ? (
            <RotateCcw size={22} aria-hidden />
          ) : (
            <Play size={22} aria-hidden />
          )}
        </button>
        <div className="relative flex-1">
          <input
            type="range"
            aria-label={t("where")}
            aria-valuetext={read("of", { at: clockTime(at - from), all: clockTime(shown) })}
            min={from}
            max={Number.isFinite(to) ? to : from + 1}
            // Before the film has said how long it is, no place in it can be meant.
            disabled={!Number.isFinite(to)}
            step={0.1}
            value={at}
            onChange={(event) => goTo(Math.min(Number(event.target.value), farthest ?? Infinity))}
            className="h-12 w-full accent-green"
          />
          {marks.map((mark) => (
            <span
              key={mark.id}
              aria-hidden
              className={clsx(
                "pointer-events-none absolute top-1 h-3 w-3 -translate-x-1/2 rotate-45 border-2",
                mark.done ? "border-green bg-green" : "border-ink bg-card",
              )}
              style={{ left: along(mark.at) }}
            />
          ))}
        </div>
        <span className="numbers text-[14px] text-ink-soft">
          {clockTime(at - from)} / {clockTime(shown)}
        </span>
        {offered.length > 0 && (
          <Menu
            trigger={
              <button
                type="button"
                aria-label={t("captions", { which: captions ? nativeLanguageName(captions) : t("none") })}
                className={clsx(
                  "grid h-12 w-12 shrink-0 place-items-center rounded-card border-2",
                  captions ? "border-green text-green" : "border-line",
                )}
              >
                <Captions size={22} aria-hidden />
              </button>
            }
          >
            {offered.map((language) => (
              <MenuItem key={language} onSelect={() => setCaptions(language)}>
                {nativeLanguageName(language)}
              </MenuItem>
            ))}
            <MenuItem onSelect={() => setCaptions(null)}>{t("noCaptions")}</MenuItem>
          </Menu>
        )}
      </div>
    </div>
  );
}
