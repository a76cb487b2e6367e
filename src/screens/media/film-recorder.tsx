"use client";
import { clsx } from "clsx";
import { Square, Trash2, Upload, Video } from "lucide-react";
import { useCallback, useState } from "react";
import { useTranslations } from "use-intl";
import { clockTime } from "@/core/media/captions";
import { mediaAddress } from "../step/media";
import { sendUntilThere } from "./send-file";
import { useCamera } from "./use-camera";
import { useFile } from "./use-file";

export interface Clip {
  media: string;
  seconds: number;
}

const SHORTEST_SECONDS = 0.5;
/** After this long a file has not said how long it is. */
const LONGEST_LOOK_MS = 10_000;

/** A film a student made. */
export const ClipPlayer = ({ media, name }: { media: string; name: string }) => (
  // What a child films in class has no captions; a teacher who cannot hear it has the words the child writes beside it.
  <video
    key={media}
    aria-label={name}
    src={mediaAddress(media)}
    controls
    playsInline
    preload="metadata"
    className="max-h-80 max-w-full rounded-card border border-line bg-ink"
  />
);

/** How long a stored film lasts, in seconds. @throws when it cannot be played here */
const lengthOf = (media: string): Promise<number> =>
  new Promise((resolve, reject) => {
    const film = document.createElement("video");
    const cannot = () => reject(new Error("It cannot be played."));
    setTimeout(cannot, LONGEST_LOOK_MS);
    film.preload = "metadata";
    film.onerror = cannot;
    film.onloadedmetadata = () => {
      // A sound that calls itself a film.
      if (film.videoWidth === 0) return cannot();
      if (Number.isFinite(film.duration)) return resolve(film.duration);
      // What a browser has recorded says how long it is only when it is looked for at its end.
      film.ondurationchange = () => Number.isFinite(film.duration) && resolve(film.duration);
      film.currentTime = Number.MAX_SAFE_INTEGER;
    };
    film.src = mediaAddress(media);
  });

/** Film, watch, film again, delete, or send a file. What is filmed is kept the moment it is stopped. */
export function FilmRecorder({
  value,
  longest,
  sendTo,
  onFilm,
}: {
  value: Clip | null;
  /** In seconds. */
  longest: number;
  sendTo?: string | undefined;
  onFilm: (film: Clip | null) => void;
}) {
  const t = useTranslations("clip");
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async (film: Blob, seconds: number) => {
    if (seconds < SHORTEST_SECONDS) return setProblem(t("tooShort"));
    setBusy(true);
    const sent = await sendUntilThere(film, "film", sendTo, () => setProblem(t("noConnection")));
    setBusy(false);
    if ("problem" in sent) return setProblem(sent.problem);
    setProblem(null);
    onFilm({ media: sent.media, seconds });
  };
  const camera = useCamera((film, seconds) => void keep(film, seconds));
  const file = useFile({
    ...{ kind: "film", name: t("file") },
    ...(sendTo && { to: sendTo }),
    onFile: (media) =>
      void lengthOf(media).then(
        (seconds) => {
          if (seconds <= longest) onFilm({ media, seconds: Math.round(seconds * 10) / 10 });
          else setProblem(t("tooLong", { seconds: clockTime(seconds), longest: clockTime(longest) }));
        },
        () => setProblem(t("noFilm")),
      ),
  });
  const shown = useCallback(
    (element: HTMLVideoElement | null) => {
      if (element) element.srcObject = camera.stream;
    },
    [camera.stream],
  );
  const look = "inline-flex min-h-12 items-center gap-2 rounded-card border-2 px-3 disabled:opacity-50";
  const said = problem ?? (camera.problem && t(camera.problem));
  return (
    <div className="grid gap-2">
      {camera.stream ? (
        <>
          <video
            ref={shown}
            aria-label={t("camera")}
            autoPlay
            muted
            playsInline
            className="max-h-80 max-w-full rounded-card border-2 border-clay bg-ink"
          />
          <div className="flex flex-wrap items-center gap-3">
            <button type="button" onClick={camera.stop} className={clsx(look, "border-clay font-bold text-clay")}>
              <Square size={16} aria-hidden fill="currentColor" /> {t("stop")}
            </button>
            <span role="timer" className="numbers text-ink-soft">
              {t("of", { at: clockTime(camera.seconds), longest: clockTime(longest) })}
            </span>
          </div>
        </>
      ) : (
        <>
          {value && <ClipPlayer media={value.media} name={t("myFilm")} />}
          <div className="flex flex-wrap items-center gap-2">
            <button
              type="button"
              disabled={busy || camera.asking}
              onClick={() => {
                setProblem(null);
                void camera.start(longest);
              }}
              className={clsx(look, value ? "border-line" : "border-green font-semibold text-green")}
            >
              <Video size={18} aria-hidden /> {t(busy ? "saving" : value ? "again" : "record")}
            </button>
            {!value && (
              <button type="button" disabled={file.sending} onClick={file.choose} className={clsx(look, "border-line")}>
                <Upload size={16} aria-hidden /> {file.said ?? t("file")}
              </button>
            )}
            {file.input}
            {value && (
              <button
                type="button"
                aria-label={t("delete")}
                onClick={() => onFilm(null)}
                className={clsx(look, "border-line")}
              >
                <Trash2 size={16} aria-hidden />
              </button>
            )}
          </div>
        </>
      )}
      {said && (
        <p role="alert" className="text-[14px] text-clay">
          {said}
        </p>
      )}
    </div>
  );
}
