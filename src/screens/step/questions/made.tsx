"use client";
import { clsx } from "clsx";
import { Camera, Trash2 } from "lucide-react";
import { useWorkPlace } from "@/screens/media/work-place";
import { ClipPlayer, FilmRecorder } from "@/screens/media/film-recorder";
import { SoundPlayer } from "@/screens/media/sound-player";
import { useFile } from "@/screens/media/use-file";
import { VoiceRecorder } from "@/screens/media/voice-recorder";
import { mediaAddress } from "../media";
import { label, OptionFace } from "./choice";
import { target, type QuestionProps } from "./props";
import { useTranslations } from "use-intl";

/** What a student thinks: nothing is right or wrong, and it may be changed until it is handed in. */
export function PollView({ question, value, onChange, readOnly, languages, labelledBy }: QuestionProps<"poll">) {
  return (
    <div role="radiogroup" aria-labelledby={labelledBy} className="flex flex-wrap gap-2">
      {question.options.map((option) => (
        <label key={option.id} className={clsx(label(value === option.id, undefined), "px-5")}>
          <input
            type="radio"
            className="heard"
            name={question.id}
            disabled={readOnly}
            checked={value === option.id}
            onChange={() => onChange(option.id)}
          />
          {value === option.id && <span aria-hidden>✓</span>}
          <OptionFace option={option} languages={languages} />
        </label>
      ))}
    </div>
  );
}

/** A child of whom nothing such may be kept is told before she has made it. */
function NotKept({ what }: { what: "noVoice" | "noPicture" }) {
  const t = useTranslations("problem");
  return <p className="rounded-card border-2 border-dashed border-line-strong px-4 py-3">{t(what)}</p>;
}

export function PhotoView({ question, value = [], onChange, readOnly, labelledBy }: QuestionProps<"photo">) {
  const t = useTranslations("question");
  const { filesTo: sendTo, kept } = useWorkPlace();
  const camera = useFile({
    camera: true,
    name: t("aPhotograph"),
    to: sendTo,
    onFile: (media) => onChange([...value, media].slice(0, question.most)),
  });
  return (
    <div role="group" aria-labelledby={labelledBy} className="grid gap-3">
      {value.length > 0 && (
        <ul className="flex flex-wrap gap-3">
          {value.map((media, at) => (
            <li key={media} className="relative">
              {/* A stored file is served as it is; an optimiser would only stand between. */}
              {/* eslint-disable-next-line @next/next/no-img-element */}
              <img
                src={mediaAddress(media)}
                alt={t("photographNth", { number: at + 1 })}
                className="max-h-56 max-w-full rounded-card border border-line"
              />
              {!readOnly && (
                <button
                  type="button"
                  aria-label={t("takePhotographAway", { number: at + 1 })}
                  onClick={() => onChange(value.filter((one) => one !== media))}
                  className="absolute top-1 right-1 grid h-12 w-12 place-items-center rounded-card border-2 border-line bg-card"
                >
                  <Trash2 size={20} aria-hidden />
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
      {!readOnly && !kept.picture && <NotKept what="noPicture" />}
      {!readOnly && kept.picture && value.length < question.most && (
        <button
          type="button"
          disabled={camera.sending}
          onClick={camera.choose}
          className={clsx(
            target,
            "inline-flex items-center gap-3 justify-self-start border-line-strong px-5 font-semibold",
          )}
        >
          <Camera size={22} aria-hidden /> {camera.said ?? t(value.length > 0 ? "another" : "photograph")}
        </button>
      )}
      {camera.input}
    </div>
  );
}

export function SpeechView({ question, value, onChange, readOnly, labelledBy }: QuestionProps<"speech">) {
  const t = useTranslations("question");
  const { filesTo: sendTo, kept } = useWorkPlace();
  return (
    <div role="group" aria-labelledby={labelledBy}>
      {!readOnly && !kept.voice ? (
        <NotKept what="noVoice" />
      ) : readOnly ? (
        value?.media && <SoundPlayer media={value.media} seconds={value.seconds} name={t("whatWasSaid")} large />
      ) : (
        <VoiceRecorder
          value={value?.media ? value : null}
          name={t("myRecording")}
          longest={question.longest}
          sendTo={sendTo}
          large
          onVoice={(voice) => onChange(voice ?? { media: "", seconds: 0 })}
        />
      )}
    </div>
  );
}

export function ClipView({ question, value, onChange, readOnly, labelledBy }: QuestionProps<"clip">) {
  const t = useTranslations("clip");
  const { filesTo: sendTo, kept } = useWorkPlace();
  const missing = !kept.picture ? "noPicture" : !kept.voice ? "noVoice" : null;
  return (
    <div role="group" aria-labelledby={labelledBy}>
      {readOnly ? (
        value?.media && <ClipPlayer media={value.media} name={t("filmed")} />
      ) : missing ? (
        <NotKept what={missing} />
      ) : (
        <FilmRecorder
          value={value?.media ? value : null}
          longest={question.longest}
          sendTo={sendTo}
          onFilm={(film) => onChange(film ?? { media: "", seconds: 0 })}
        />
      )}
    </div>
  );
}
