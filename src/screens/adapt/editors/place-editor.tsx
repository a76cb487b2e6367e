"use client";
import { ImagePlus } from "lucide-react";
import { useRef, useState } from "react";
import { inLanguage } from "@/core/content/language";
import { squareAt } from "@/core/question/types/place/squares";
import { mediaAddress } from "@/screens/step/media";
import { MapGrid } from "@/screens/step/questions/map-grid";
import { useFile } from "@/screens/media/use-file";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Field } from "@/ui/field";
import { tellProblem } from "@/ui/toast";
import { PictureDescription } from "../media/picture-description";
import type { EditorProps } from "./editor-props";
import { NumberBox } from "./number-box";

const share = (value: number) => Math.round(Math.max(0, Math.min(1, value)) * 1000) / 1000;
/** How far off is still right, as a share of the picture's width: from a village to a third of an island. */
const SIZES = [0.03, 0.05, 0.08, 0.12, 0.18] as const;
const sizeNames = ["very close", "close", "about there", "roughly there", "anywhere near"];
const MOST = 10;

/** Right places are set by clicking the picture, moved with the arrow keys, and taken away with Delete. */
export function PlaceEditor({ question, languages, newId, onChange }: EditorProps<"place">) {
  const { right } = question;
  const [chosen, setChosen] = useState<string | null>(null);
  const shown = useRef<HTMLImageElement>(null);
  const picture = useFile({ onFile: (media) => onChange({ ...question, media }) });
  /** Height for width: what is a circle to the eye has another share of the height than of the width. */
  const down = (across: number) => {
    const box = shown.current?.getBoundingClientRect();
    return Math.max(0.01, Math.min(1, box?.height ? (across * box.width) / box.height : across));
  };
  const put = (areas: typeof right, kind?: string) =>
    onChange({ ...question, right: areas, most: Math.max(question.most, areas.length) }, kind);
  const change = (id: string, by: Partial<(typeof right)[number]>, kind: string) =>
    put(
      right.map((area) => (area.id === id ? { ...area, ...by } : area)),
      `${kind}-${id}`,
    );
  const add = (x: number, y: number) => {
    if (right.length >= MOST) return tellProblem("Ten places is the most there can be.");
    const id = newId();
    const across = right.at(-1)?.across ?? SIZES[2];
    put([...right, { id, x: share(x), y: share(y), across, down: down(across) }]);
    setChosen(id);
  };
  const remove = (id: string) => put(right.filter((area) => area.id !== id));
  return (
    <div className="grid gap-3">
      <div className="flex flex-wrap items-center gap-2">
        <Button size="small" onClick={picture.choose}>
          <ImagePlus size={15} aria-hidden /> Another picture
        </Button>
        <Button size="small" look="quiet" onClick={() => add(0.5, 0.5)}>
          Another right place
        </Button>
        <span className="text-[13px] text-ink-soft">Click the picture where it is right.</span>
        {picture.input}
      </div>
      <div className="relative w-fit max-w-full overflow-hidden rounded-card">
        {/* eslint-disable-next-line @next/next/no-img-element -- with the keyboard, "Another right place" and the arrow keys do the same */}
        <img
          ref={shown}
          src={mediaAddress(question.media)}
          alt={inLanguage(question.description, languages) ?? ""}
          className="max-h-80 max-w-full cursor-crosshair rounded-card border border-line bg-white"
          onClick={(event) => {
            const box = event.currentTarget.getBoundingClientRect();
            add((event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height);
          }}
        />
        {question.grid && <MapGrid />}
        {right.map((area, at) => (
          <button
            key={area.id}
            type="button"
            aria-label={`Right place ${at + 1}, ${squareAt([area.x, area.y])}: arrow keys move it, Delete removes it`}
            aria-pressed={chosen === area.id}
            onClick={() => setChosen(area.id)}
            onKeyDown={(event) => {
              const by = { ArrowLeft: [-0.01, 0], ArrowRight: [0.01, 0], ArrowUp: [0, -0.01], ArrowDown: [0, 0.01] }[
                event.key
              ];
              if (event.key === "Delete" || event.key === "Backspace") remove(area.id);
              else if (by) change(area.id, { x: share(area.x + by[0]!), y: share(area.y + by[1]!) }, "place");
              else return;
              event.preventDefault();
            }}
            style={{
              left: `${(area.x - area.across) * 100}%`,
              top: `${(area.y - area.down) * 100}%`,
              width: `${area.across * 200}%`,
              height: `${area.down * 200}%`,
            }}
            className={`numbers absolute grid place-items-center rounded-[50%] border-2 bg-card/70 font-bold ${
              chosen === area.id ? "border-green" : "border-line-strong"
            }`}
          >
            {at + 1}
          </button>
        ))}
      </div>
      <PictureDescription
        value={question.description}
        language={languages[0]!}
        onText={(description) => onChange({ ...question, description }, `description-${question.id}`)}
      />
      {right.length > 0 && (
        <ul className="grid gap-1">
          {right.map((area, at) => (
            <li key={area.id} className="flex flex-wrap items-center gap-2">
              <span className="numbers w-6 text-right">{at + 1}</span>
              <span className="numbers w-10 font-semibold">{squareAt([area.x, area.y])}</span>
              <input
                type="range"
                aria-label={`How close to place ${at + 1}`}
                aria-valuetext={sizeNames[nearestSize(area.across)]}
                min={0}
                max={SIZES.length - 1}
                value={nearestSize(area.across)}
                onChange={(event) => {
                  const across = SIZES[Number(event.target.value)]!;
                  change(area.id, { across, down: down(across) }, "size");
                }}
                className="accent-green"
              />
              <span className="w-28 text-[13px] text-ink-soft">{sizeNames[nearestSize(area.across)]}</span>
              <Button size="small" look="quiet" onClick={() => remove(area.id)}>
                Take place {at + 1} away
              </Button>
            </li>
          ))}
        </ul>
      )}
      <div className="flex flex-wrap items-end gap-4">
        <Field label="Places to mark" className="w-32">
          {(control) => (
            <NumberBox
              {...control}
              least={Math.max(1, right.length)}
              most={MOST}
              whole
              value={question.most}
              onNumber={(most) => onChange({ ...question, most }, `most-${question.id}`)}
            />
          )}
        </Field>
        <label className="flex min-h-9 items-center gap-2">
          <Checkbox
            label="Squares over the picture"
            checked={question.grid}
            onChange={(grid) => onChange({ ...question, grid })}
          />
          Squares over the picture
        </label>
      </div>
    </div>
  );
}

const nearestSize = (across: number): number =>
  SIZES.reduce((best, size, at) => (Math.abs(size - across) < Math.abs(SIZES[best]! - across) ? at : best), 0);
