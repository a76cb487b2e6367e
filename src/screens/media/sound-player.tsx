"use client";
import { clsx } from "clsx";
import { Pause, Play } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { clockTime } from "@/core/media/captions";
import { mediaAddress } from "../step/media";
import { useTranslations } from "use-intl";

/** A sound with a button to hear it and a place to hear it from. `onAt`: where it stands, in seconds. */
export function SoundPlayer({
  media,
  name,
  seconds,
  large = false,
  onAt,
  onPlay,
  children,
}: {
  media: string;
  /** What is heard, for the button: "Listen to …". */
  name: string;
  seconds: number;
  /** For children's fingers. */
  large?: boolean;
  onAt?: (seconds: number) => void;
  /** Called when it begins to play; what it returns is called when it stops. */
  onPlay?: ((sound: HTMLAudioElement) => () => void) | undefined;
  children?: React.ReactNode;
}) {
  const t = useTranslations("read");
  const sound = useRef<HTMLAudioElement>(null);
  const ended = useRef<(() => void) | undefined>(undefined);
  const [playing, setPlaying] = useState(false);
  const [at, setAt] = useState(0);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    const element = sound.current;
    return () => {
      element?.pause();
      ended.current?.();
    };
  }, []);
  const stand = (place: number) => {
    setAt(place);
    onAt?.(place);
  };
  const toggle = () => {
    if (playing) return sound.current?.pause();
    sound.current?.play().catch(() => setFailed(true));
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      <audio
        ref={sound}
        src={mediaAddress(media)}
        preload="metadata"
        onPlay={(event) => {
          setPlaying(true);
          ended.current?.();
          ended.current = onPlay?.(event.currentTarget);
        }}
        onPause={() => {
          setPlaying(false);
          ended.current?.();
          ended.current = undefined;
        }}
        onEnded={() => stand(0)}
        onTimeUpdate={(event) => stand(event.currentTarget.currentTime)}
        onError={() => setFailed(true)}
      />
      <button
        type="button"
        onClick={toggle}
        disabled={failed}
        aria-label={t(playing ? "stopNamed" : "listen", { name })}
        className={clsx(
          "grid shrink-0 place-items-center rounded-full border-2 border-green text-green disabled:opacity-50",
          large ? "h-12 w-12" : "h-8 w-8",
        )}
      >
        {playing ? <Pause size={large ? 22 : 16} aria-hidden /> : <Play size={large ? 22 : 16} aria-hidden />}
      </button>
      <input
        type="range"
        aria-label={t("where", { name })}
        aria-valuetext={t("of", { at: clockTime(at), all: clockTime(seconds) })}
        min={0}
        max={Math.max(seconds, 0.1)}
        step={0.1}
        value={Math.min(at, seconds)}
        onChange={(event) => {
          const place = Number(event.target.value);
          if (sound.current) sound.current.currentTime = place;
          stand(place);
        }}
        className={clsx("w-32 accent-green", large ? "h-12" : "h-8")}
      />
      <span className="numbers text-[13px] text-ink-soft">
        {clockTime(at)} / {clockTime(seconds)}
      </span>
      {children}
      {failed && <span className="text-[13px] text-clay">{t("cannotPlay")}</span>}
    </div>
  );
}
