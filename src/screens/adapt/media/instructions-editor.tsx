"use client";
import { Mic } from "lucide-react";
import { useState } from "react";
import type { Recording, Step } from "@/core/resource/document";
import { stepWithoutOthers, voiceOf, withVoice } from "@/core/resource/voices";
import { Button } from "@/ui/button";
import { tell } from "@/ui/toast";
import { SoundPlayer } from "@/screens/media/sound-player";
import { VoiceRecorder } from "@/screens/media/voice-recorder";
import { RichEditor } from "../writing/rich-editor";

/** The author: her voice needs no leave. */
export interface Me {
  id: number;
  name: string;
}

const LONGEST_SECONDS = 180;

/** What students shall do, in one language: to read, and, where somebody spoke it, to hear. */
export function InstructionsEditor({
  step,
  language,
  placeholder = "What shall students do?",
  me,
  onChange,
}: {
  step: Step;
  language: string;
  placeholder?: string;
  me: Me;
  onChange: (step: Step, kind?: string) => void;
}) {
  const [speaking, setSpeaking] = useState(false);
  const instructions = step.instructions[language];
  const recording = instructions?.recording;
  const put = (next: Recording | null) => onChange(withVoice(step, language, next));
  const whose = recording ? voiceOf(recording, me.id) : null;
  const remove = () => {
    const before = step;
    put(null);
    setSpeaking(false);
    tell("The recording is taken out.", () => onChange(withVoice(before, language, recording ?? null)));
  };
  const spokenIn = Object.values(step.instructions).filter(({ recording: each }) => each && each.by !== me.id).length;
  const removeOthers = () => {
    const before = step;
    onChange(stepWithoutOthers(step, me.id));
    setSpeaking(false);
    tell(spokenIn > 1 ? "The recordings are taken out, in every language." : "The recording is taken out.", () =>
      onChange({ ...step, instructions: before.instructions }),
    );
  };
  return (
    <div className="grid gap-2">
      <RichEditor
        label="Instructions"
        className="font-child text-[16px]"
        value={instructions?.text}
        placeholder={placeholder}
        withCues
        onChange={(text) =>
          onChange(
            { ...step, instructions: { ...step.instructions, [language]: { ...instructions, text } } },
            `instructions-${step.id}-${language}`,
          )
        }
      />
      {whose === "theirs" ? (
        <div
          role="group"
          aria-label="Someone else’s voice"
          className="grid gap-2 rounded-card border border-slate bg-slate-wash p-3"
        >
          <p>
            These instructions are spoken by <strong>{recording!.name}</strong>. Choose before you publish:
          </p>
          <SoundPlayer media={recording!.media} seconds={recording!.seconds} name={`the voice of ${recording!.name}`} />
          <div className="flex flex-wrap gap-2">
            <Button
              onClick={() => {
                put(null);
                setSpeaking(true);
              }}
            >
              <Mic size={16} aria-hidden /> Record mine
            </Button>
            <Button onClick={() => put({ ...recording!, kept: true })}>Keep their voice and name</Button>
            <Button onClick={removeOthers}>{spokenIn > 1 ? "No voice in any language" : "No voice"}</Button>
          </div>
        </div>
      ) : whose === "kept" ? (
        <SoundPlayer media={recording!.media} seconds={recording!.seconds} name={`the voice of ${recording!.name}`}>
          <span className="text-[13px] text-ink-soft">Students read: spoken by {recording!.name}.</span>
          <Button size="small" look="quiet" onClick={remove}>
            Take it out
          </Button>
        </SoundPlayer>
      ) : recording || speaking ? (
        <VoiceRecorder
          value={recording ?? null}
          name="My voice for these instructions"
          longest={LONGEST_SECONDS}
          onVoice={(voice) => (voice === null ? remove() : put({ ...voice, by: me.id, name: me.name, kept: false }))}
        />
      ) : (
        <div>
          <Button size="small" look="quiet" onClick={() => setSpeaking(true)}>
            <Mic size={15} aria-hidden /> Record them
          </Button>
        </div>
      )}
    </div>
  );
}
