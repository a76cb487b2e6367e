"use client";
import { Captions, Film, Trash2, Upload } from "lucide-react";
import { useRef, useState } from "react";
import { clockTime } from "@/core/media/captions";
import { shippedFilms } from "@/core/media/shipped";
import type { Block, BlockOf, FilmStop } from "@/core/resource/block";
import type { NewId } from "@/core/resource/edit";
import { addStop, filmProblem, putStop, removeStop, type StopKind } from "@/core/resource/film";
import { inLanguage } from "@/core/content/language";
import type { QuestionType } from "@/core/question/question";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Field, TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { Menu, MenuItem, MenuLabel, MenuLine } from "@/ui/menu";
import { tell } from "@/ui/toast";
import { FilmStage, type Stage } from "@/screens/media/film-stage";
import { nativeLanguageName } from "@/screens/media/native-language-name";
import { useFile } from "@/screens/media/use-file";
import { FilmTimeline, useStills } from "./film-timeline";
import { NumberBox } from "../editors/number-box";
import { questionKinds } from "@/core/question/kinds";
import { QuestionEditor } from "../editors/question-editor";
import { RichEditor } from "../writing/rich-editor";
import { useSettled } from "../draft/use-settled";

type FilmBlock = BlockOf<"film">;
type OnFilm = (block: FilmBlock, kind?: string) => void;

function CaptionsList({ block, language, onFilm }: { block: FilmBlock; language: string; onFilm: OnFilm }) {
  const [tag, setTag] = useState(language);
  const file = useFile({
    kind: "captions",
    name: "Captions file",
    onFile: (media) => onFilm({ ...block, captions: { ...block.captions, [tag]: media } }),
  });
  return (
    <div className="flex flex-wrap items-center gap-2">
      <span className="flex items-center gap-1.5 text-[13px] text-ink-soft">
        <Captions size={16} aria-hidden /> Captions
      </span>
      {Object.keys(block.captions).map((one) => (
        <span key={one} className="inline-flex items-center gap-1 rounded-card border border-line px-2">
          {nativeLanguageName(one)}
          <IconButton
            name={`Captions in ${nativeLanguageName(one)} away`}
            small
            onClick={() => {
              const { [one]: _gone, ...left } = block.captions;
              onFilm({ ...block, captions: left });
            }}
          >
            <Trash2 size={14} aria-hidden />
          </IconButton>
        </span>
      ))}
      <TextInput
        aria-label="Language of the captions file"
        className="!w-20"
        value={tag}
        maxLength={12}
        onChange={(event) => setTag(event.target.value)}
      />
      {file.input}
      <Button
        size="small"
        disabled={!/^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/.test(tag) || file.sending}
        onClick={file.choose}
      >
        <Upload size={15} aria-hidden /> {file.said ?? "File (WebVTT)"}
      </Button>
    </div>
  );
}

function StopEditor({
  stop,
  nth,
  still,
  languages,
  newId,
  onStop,
  onGo,
  onRemove,
}: {
  stop: FilmStop;
  nth: number;
  still: string | undefined;
  languages: readonly string[];
  newId: NewId;
  onStop: (stop: FilmStop, kind?: string) => void;
  onGo: () => void;
  onRemove: () => void;
}) {
  const language = languages[0]!;
  const name = stop.question ? questionKinds[stop.question.type].name : stop.link ? "Link" : "Note";
  return (
    <li className="grid gap-3 rounded-card border border-line p-3">
      <div className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          onClick={onGo}
          aria-label={`Show stop ${nth + 1} in the film`}
          className="rounded border border-line"
        >
          {still ? (
            // eslint-disable-next-line @next/next/no-img-element -- a picture made here just now
            <img src={still} alt="" className="h-[45px] w-20 rounded" />
          ) : (
            <span className="grid h-[45px] w-20 place-items-center text-ink-soft">
              <Film size={18} aria-hidden />
            </span>
          )}
        </button>
        <Field label="Seconds" className="w-24">
          {(control) => (
            <NumberBox
              {...control}
              aria-label={`Stop ${nth + 1}: seconds`}
              least={0}
              most={36_000}
              value={stop.at}
              onNumber={(at) => onStop({ ...stop, at }, `at-${stop.id}`)}
            />
          )}
        </Field>
        <span className="numbers flex-1">
          {clockTime(stop.at)} · {name}
        </span>
        <label className="flex items-center gap-2">
          <Checkbox
            label="may be skipped"
            checked={stop.maySkip}
            onChange={(maySkip) => onStop({ ...stop, maySkip })}
          />
          may be skipped
        </label>
        <IconButton name={`Remove stop ${nth + 1}`} small onClick={onRemove}>
          <Trash2 size={15} aria-hidden />
        </IconButton>
      </div>
      {stop.note && (
        <RichEditor
          label="What to read here"
          className="font-child"
          value={inLanguage(stop.note, languages)}
          placeholder="What to look at, what to think about …"
          onChange={(text) => onStop({ ...stop, note: { ...stop.note, [language]: text } }, `note-${stop.id}`)}
        />
      )}
      {stop.link && (
        <div className="grid gap-2 sm:grid-cols-2">
          <TextInput
            aria-label="Address"
            type="url"
            defaultValue={stop.link.href}
            onBlur={(event) => {
              const good = URL.canParse(event.target.value) && /^https?:/.test(event.target.value);
              event.target.setAttribute("aria-invalid", String(!good));
              if (good) onStop({ ...stop, link: { ...stop.link!, href: event.target.value } });
            }}
          />
          <TextInput
            aria-label="What students read"
            placeholder="What students read"
            value={inLanguage(stop.link.label, languages) ?? ""}
            onChange={(event) =>
              onStop(
                { ...stop, link: { ...stop.link!, label: { ...stop.link!.label, [language]: event.target.value } } },
                `label-${stop.id}`,
              )
            }
          />
        </div>
      )}
      {stop.question && (
        <QuestionEditor
          question={stop.question}
          languages={languages}
          newId={newId}
          onChange={(question, kind) => onStop({ ...stop, question }, kind)}
        />
      )}
    </li>
  );
}

/** A film: its file, the part that is shown, captions, and where it waits for something. */
export function FilmEditor({
  block,
  languages,
  newId,
  onChange: onBlock,
}: {
  block: FilmBlock;
  languages: readonly string[];
  newId: NewId;
  onChange: (block: Block, kind?: string) => void;
}) {
  const language = languages[0]!;
  const stage = useRef<Stage>(null);
  const [length, setLength] = useState<number | null>(null);
  // How long the film is goes along with what she changes: looking alone changes nothing.
  const onChange = (next: Block, kind?: string) =>
    onBlock(
      next.type === "film" && next.media === block.media && length !== null
        ? { ...next, seconds: Math.round(length * 10) / 10 }
        : next,
      kind,
    );
  // A stop being carried has a new moment with every step: the picture is taken where it comes to rest.
  const moments = useSettled(block.stops.map((stop) => stop.at).join(), 400);
  const stills = useStills(block.media, moments);
  const file = useFile({
    kind: "film",
    name: "Film file",
    onFile: (media, chosen) =>
      onChange({
        ...block,
        media,
        seconds: undefined,
        from: undefined,
        to: undefined,
        captions: {},
        title: { [language]: chosen.name.replace(/\.[^.]+$/, "") },
      }),
  });
  const stopHere = (kind: StopKind) => onChange(addStop(block, stage.current?.at ?? 0, kind, language, newId));
  const problem = filmProblem(block, length);
  const cut = (which: "from" | "to") => (
    <Field label={which === "from" ? "Begins at (seconds)" : "Ends at (seconds)"} className="w-36">
      {(control) => (
        <NumberBox
          {...control}
          least={0}
          most={length ?? 36_000}
          value={block[which] ?? (which === "from" ? 0 : Math.round((length ?? 0) * 10) / 10)}
          onNumber={(seconds) => onChange({ ...block, [which]: seconds }, `${which}-${block.id}`)}
        />
      )}
    </Field>
  );
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-end gap-3">
        <Field label="Title of the film" className="min-w-52 flex-1">
          {(control) => (
            <TextInput
              {...control}
              maxLength={200}
              value={inLanguage(block.title, languages) ?? ""}
              onChange={(event) =>
                onChange({ ...block, title: { ...block.title, [language]: event.target.value } }, `title-${block.id}`)
              }
            />
          )}
        </Field>
        <Menu trigger={<Button size="small">Another film …</Button>}>
          <MenuLabel>From the satchel</MenuLabel>
          {shippedFilms.map((one) => (
            <MenuItem
              key={one.media}
              onSelect={() =>
                onChange({
                  ...block,
                  media: one.media,
                  title: one.title,
                  captions: one.captions,
                  from: undefined,
                  to: undefined,
                })
              }
            >
              {inLanguage(one.title, languages)}
            </MenuItem>
          ))}
          <MenuLine />
          <MenuItem onSelect={file.choose}>
            <Upload size={15} aria-hidden /> A file of mine (WebM, MP4, Ogg; up to 32 MB)
          </MenuItem>
        </Menu>
        {file.input}
        {file.said && <span role="status">{file.said}</span>}
      </div>
      <FilmStage key={block.media} block={block} languages={languages} stage={stage} marks={[]} onLength={setLength} />
      {length !== null && (
        <FilmTimeline
          block={block}
          length={length}
          onMove={(stop, at) => onChange(putStop(block, { ...stop, at }), `at-${stop.id}`)}
          onGo={(at) => stage.current?.goTo(at)}
        />
      )}
      <div className="flex flex-wrap items-end gap-3">
        {cut("from")}
        {cut("to")}
        <Menu trigger={<Button look="main">Stop here …</Button>}>
          <MenuItem onSelect={() => stopHere("note")}>Something to read</MenuItem>
          <MenuItem onSelect={() => stopHere("link")}>A page to open</MenuItem>
          <MenuLine />
          <MenuLabel>A question</MenuLabel>
          {(Object.keys(questionKinds) as QuestionType[]).map((type) => (
            <MenuItem key={type} onSelect={() => stopHere(type)}>
              {questionKinds[type].name}
            </MenuItem>
          ))}
        </Menu>
      </div>
      {problem && <p className="text-clay">{problem}</p>}
      <CaptionsList block={block} language={language} onFilm={onChange} />
      {block.stops.length > 0 && (
        <ol className="grid gap-3" aria-label="Stops">
          {block.stops.map((stop, nth) => (
            <StopEditor
              key={stop.id}
              stop={stop}
              nth={nth}
              still={stills[`${block.media} ${stop.at}`]}
              languages={languages}
              newId={newId}
              onStop={(changed, kind) => onChange(putStop(block, changed), kind)}
              onGo={() => stage.current?.goTo(stop.at)}
              onRemove={() => {
                onChange(removeStop(block, stop.id));
                tell("Removed the stop.");
              }}
            />
          ))}
        </ol>
      )}
    </div>
  );
}
