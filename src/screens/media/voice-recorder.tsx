"use client";
import { clsx } from "clsx";
import { Mic, Square, Trash2, Upload } from "lucide-react";
import { useState } from "react";
import { clockTime } from "@/core/media/captions";
import { appendRecording, SPEECH_RATE, waveFile } from "@/core/media/wave";
import { mediaAddress } from "../step/media";
import { sendUntilThere } from "./send-file";
import { SoundPlayer } from "./sound-player";
import { useFile } from "./use-file";
import { readSound, useMicrophone } from "./use-microphone";
import { useTranslations } from "use-intl";

export interface Voice {
  media: string;
  seconds: number;
}

const SHORTEST_SECONDS = 0.3;

function LevelMeter({ level }: { level: number }) {
  const t = useTranslations("voice");
  return (
    <span
      role="meter"
      aria-label={t("loud")}
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={Math.round(level * 100)}
      className="h-3 w-28 overflow-hidden rounded-full border border-line-strong bg-card"
    >
      <span
        className={clsx("block h-full", level > 0.97 ? "bg-clay" : "bg-green")}
        style={{ width: `${Math.round(level * 100)}%` }}
      />
    </span>
  );
}

/** Record, listen, go on from any moment, delete, or send a file. What is recorded is kept the moment it is stopped. */
export function VoiceRecorder({
  value,
  name,
  longest,
  sendTo,
  large = false,
  onVoice,
}: {
  value: Voice | null;
  /** Whose or what voice this is, for those who do not see where the buttons stand. */
  name: string;
  /** Longest recording (seconds). */
  longest: number;
  sendTo?: string;
  large?: boolean;
  onVoice: (voice: Voice | null) => void;
}) {
  const t = useTranslations("voice");
  const [at, setAt] = useState(0);
  /** What was there when she went on, and until when it is kept. */
  const [before, setBefore] = useState<{ samples: Float32Array; until: number } | null>(null);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);

  const keep = async (samples: Float32Array) => {
    const whole = before ? appendRecording(before.samples, before.until, samples) : samples;
    setBefore(null);
    if (whole.length < SHORTEST_SECONDS * SPEECH_RATE) return setProblem(t("tooShort"));
    setBusy(true);
    const file = new Blob([waveFile(whole)], { type: "audio/wav" });
    const sent = await sendUntilThere(file, "sound", sendTo, () => setProblem(t("noConnection")));
    setBusy(false);
    if ("problem" in sent) return setProblem(sent.problem);
    setProblem(null);
    onVoice({ media: sent.media, seconds: Math.round((whole.length / SPEECH_RATE) * 10) / 10 });
  };
  const microphone = useMicrophone((samples) => void keep(samples));
  const file = useFile({
    kind: "sound",
    name: t("soundFile", { name }),
    ...(sendTo && { to: sendTo }),
    onFile: (media) => {
      void readSound(mediaAddress(media))
        .then((samples) => {
          const seconds = Math.round((samples.length / SPEECH_RATE) * 10) / 10;
          if (seconds <= longest) onVoice({ media, seconds });
          else setProblem(t("tooLong", { seconds: clockTime(seconds), longest: clockTime(longest) }));
        })
        .catch(() => setProblem(t("noSound")));
    },
  });
  const goOn = async () => {
    if (!value) return;
    try {
      const until = at || value.seconds;
      setBefore({ samples: await readSound(mediaAddress(value.media)), until });
      await microphone.start(longest - until);
    } catch {
      setProblem(t("cannotGoOn"));
    }
  };
  const anew = () => {
    setBefore(null);
    void microphone.start(longest);
  };
  const look = clsx(
    "inline-flex items-center gap-2 rounded-card border-2 px-3 disabled:opacity-50",
    large ? "min-h-12" : "min-h-8 text-[14px]",
  );
  const listening = microphone.state === "listening";
  return (
    <div className="grid gap-2" role="group" aria-label={name}>
      {listening ? (
        <div className="flex flex-wrap items-center gap-3">
          <button type="button" onClick={microphone.stop} className={clsx(look, "border-clay font-bold text-clay")}>
            <Square size={16} aria-hidden fill="currentColor" /> {t("stop")}
          </button>
          <LevelMeter level={microphone.level} />
          <span role="timer" className="numbers text-ink-soft">
            {t("of", {
              at: clockTime((before?.until ?? 0) + microphone.seconds),
              longest: clockTime(longest),
            })}
          </span>
        </div>
      ) : (
        <div className="flex flex-wrap items-center gap-2">
          {value && (
            <SoundPlayer
              key={value.media}
              media={value.media}
              name={name}
              seconds={value.seconds}
              large={large}
              onAt={setAt}
            />
          )}
          <button
            type="button"
            disabled={busy || microphone.state === "asking"}
            onClick={anew}
            className={clsx(look, value ? "border-line" : "border-green font-semibold text-green")}
          >
            <Mic size={16} aria-hidden /> {t(busy ? "saving" : value ? "again" : "record")}
          </button>
          {value && value.seconds < longest && (
            <button type="button" disabled={busy} onClick={() => void goOn()} className={clsx(look, "border-line")}>
              {t("goOnFrom", { at: clockTime(at || value.seconds) })}
            </button>
          )}
          {!value && (
            <button type="button" disabled={file.sending} onClick={file.choose} className={clsx(look, "border-line")}>
              <Upload size={16} aria-hidden /> {file.said ?? t("file")}
            </button>
          )}
          {file.input}
          {value && (
            <button
              type="button"
              aria-label={t("delete", { name })}
              onClick={() => onVoice(null)}
              className={clsx(look, "border-line")}
            >
              <Trash2 size={16} aria-hidden />
            </button>
          )}
        </div>
      )}
      {(problem ?? microphone.problem) && (
        <p role="alert" className="text-[14px] text-clay">
          {problem ?? microphone.problem}
        </p>
      )}
    </div>
  );
}
