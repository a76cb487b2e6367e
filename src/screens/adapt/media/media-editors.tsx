"use client";
import dynamic from "next/dynamic";
import { Mic } from "lucide-react";
import { Button } from "@/ui/button";
import { Boundary } from "@/ui/later";
import { useState } from "react";
import { silence } from "@/core/media/shipped";
import type { Block, BlockOf } from "@/core/resource/block";
import { soundAsText, voiceOf } from "@/core/resource/voices";
import { inLanguage } from "@/core/content/language";
import { Field, inputClasses, TextInput } from "@/ui/field";
import { SoundPlayer } from "@/screens/media/sound-player";
import { VoiceRecorder } from "@/screens/media/voice-recorder";
import type { Me } from "./instructions-editor";
import { BlockView } from "@/screens/step/block-view";

interface Props<Type extends Block["type"]> {
  block: BlockOf<Type>;
  languages: readonly string[];
  onChange: (block: Block, kind?: string) => void;
}

const LONGEST_SOUND_SECONDS = 600;

/** Something to listen to: recorded here or a file, and what is said in it for those who do not hear. */
export function SoundEditor({
  block,
  languages,
  me,
  onChange,
  onRemove,
}: Props<"sound"> & { me: Me; onRemove: () => void }) {
  const { speaker } = block;
  const whose = speaker ? voiceOf(speaker, me.id) : "mine";
  const silent = { ...block, media: silence, seconds: 0, speaker: undefined };
  const takeOut = () => {
    const [text] = soundAsText(block);
    if (text) onChange(text);
    else onRemove();
  };
  return (
    <div className="grid gap-3">
      {whose === "theirs" ? (
        <div
          role="group"
          aria-label="Someone else’s voice"
          className="grid gap-2 rounded-card border border-slate bg-slate-wash p-3"
        >
          <p>
            <strong>{speaker!.name}</strong> speaks here. Choose before you publish:
          </p>
          <SoundPlayer media={block.media} seconds={block.seconds ?? 0} name={`the voice of ${speaker!.name}`} />
          <div className="flex flex-wrap gap-2">
            <Button onClick={() => onChange(silent)}>
              <Mic size={16} aria-hidden /> Record mine
            </Button>
            <Button onClick={() => onChange({ ...block, speaker: { ...speaker!, kept: true } })}>
              Keep their voice and name
            </Button>
            <Button onClick={takeOut}>No voice: the words as text</Button>
          </div>
        </div>
      ) : whose === "kept" ? (
        <SoundPlayer media={block.media} seconds={block.seconds ?? 0} name={`the voice of ${speaker!.name}`}>
          <span className="text-[13px] text-ink-soft">Students read: spoken by {speaker!.name}.</span>
          <Button size="small" look="quiet" onClick={takeOut}>
            Take it out
          </Button>
        </SoundPlayer>
      ) : (
        <VoiceRecorder
          value={block.media === silence ? null : { media: block.media, seconds: block.seconds ?? 0 }}
          name="The sound"
          longest={LONGEST_SOUND_SECONDS}
          onVoice={(voice) =>
            onChange(voice ? { ...block, ...voice, speaker: { by: me.id, name: me.name, kept: false } } : silent)
          }
        />
      )}
      <Field label="Transcript, for anyone who cannot hear it">
        {(control) => (
          <textarea
            {...control}
            rows={3}
            maxLength={4000}
            className={`${inputClasses} py-2 font-child`}
            value={inLanguage(block.transcript, languages) ?? ""}
            onChange={(event) =>
              onChange(
                { ...block, transcript: { ...block.transcript, [languages[0]!]: event.target.value } },
                `transcript-${block.id}`,
              )
            }
          />
        )}
      </Field>
    </div>
  );
}

// It comes only when maths is written: it is larger than everything else on the page.
const MathsField = dynamic(() => import("../editors/maths-field").then((part) => part.MathsField), {
  ssr: false,
  loading: () => <p className="text-ink-soft">One moment …</p>,
});

export function MathsEditor({ block, languages, onChange }: Props<"maths">) {
  return (
    <div className="grid gap-3">
      <Boundary>
        <MathsField
          value={block.tex}
          onTex={(tex, spoken) =>
            onChange({ ...block, tex, spoken: { ...block.spoken, [languages[0]!]: spoken } }, `maths-${block.id}`)
          }
        />
      </Boundary>
      <Field label="How it is read aloud">
        {(control) => (
          <TextInput
            {...control}
            maxLength={2000}
            value={inLanguage(block.spoken, languages) ?? ""}
            onChange={(event) =>
              onChange(
                { ...block, spoken: { ...block.spoken, [languages[0]!]: event.target.value } },
                `spoken-${block.id}`,
              )
            }
          />
        )}
      </Field>
      <div className="font-child text-[17px]">
        <BlockView block={block} languages={languages} />
      </div>
    </div>
  );
}

/** A page elsewhere. An address that is none is shown as wrong and not taken over. */
export function LinkEditor({ block, languages, onChange }: Props<"link">) {
  const [typed, setTyped] = useState(block.href);
  const good = (() => {
    try {
      return /^https?:$/.test(new URL(typed).protocol);
    } catch {
      return false;
    }
  })();
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <Field label="Address" problem={good ? undefined : "An address begins with https:// or http://"}>
        {(control) => (
          <TextInput
            {...control}
            type="url"
            maxLength={2000}
            value={typed}
            onChange={(event) => {
              setTyped(event.target.value);
              if (URL.canParse(event.target.value) && /^https?:/.test(event.target.value))
                onChange({ ...block, href: event.target.value }, `href-${block.id}`);
            }}
          />
        )}
      </Field>
      <Field label="What students read">
        {(control) => (
          <TextInput
            {...control}
            maxLength={300}
            value={inLanguage(block.label, languages) ?? ""}
            onChange={(event) =>
              onChange(
                { ...block, label: { ...block.label, [languages[0]!]: event.target.value } },
                `label-${block.id}`,
              )
            }
          />
        )}
      </Field>
    </div>
  );
}
