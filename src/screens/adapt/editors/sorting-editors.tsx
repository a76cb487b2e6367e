"use client";
import { ImagePlus } from "lucide-react";
import { useState } from "react";
import { inLanguage } from "@/core/content/language";
import type { Option } from "@/core/question/question";
import { Button } from "@/ui/button";
import { inputClasses } from "@/ui/field";
import { tellProblem } from "@/ui/toast";
import { mediaAddress } from "@/screens/step/media";
import { replaced, type EditorProps } from "./editor-props";
import { OptionList } from "./option-list";
import { PictureDescription } from "../media/picture-description";
import { useFile } from "@/screens/media/use-file";

function PlaceOf({
  name,
  value,
  places,
  onChoose,
}: {
  name: string;
  value: string | undefined;
  places: readonly { id: string; text: string }[];
  onChoose: (place: string) => void;
}) {
  return (
    <select
      aria-label={name}
      value={value ?? ""}
      onChange={(event) => onChoose(event.target.value)}
      className={`${inputClasses} !w-36 shrink-0`}
    >
      {!value && <option value="">belongs to …</option>}
      {places.map((place) => (
        <option key={place.id} value={place.id}>
          {place.text}
        </option>
      ))}
    </select>
  );
}

const placeOf = (right: readonly (readonly [string, string])[], id: string) => right.find(([one]) => one === id)?.[1];
const putInto = (right: readonly [string, string][], id: string, place: string): [string, string][] => [
  ...right.filter(([one]) => one !== id),
  [id, place],
];

export function GroupsEditor({ question, languages, newId, onChange }: EditorProps<"groups">) {
  const { groups, items, right } = question;
  const empty = () => ({ id: newId(), text: { [languages[0]!]: "" } });
  const said = (option: Option, at: number) => inLanguage(option.text, languages) || `Group ${at + 1}`;
  const places = groups.map((group, at) => ({ id: group.id, text: said(group, at) }));
  return (
    <div className="grid gap-4">
      <OptionList
        name="Group"
        options={groups}
        languages={languages}
        onText={(group) => onChange({ ...question, groups: replaced(groups, group) }, `group-${group.id}`)}
        onAdd={() => onChange({ ...question, groups: [...groups, empty()] })}
        onRemove={(id) =>
          onChange({
            ...question,
            groups: groups.filter((group) => group.id !== id),
            right: right.filter(([, group]) => group !== id),
          })
        }
      />
      <OptionList
        name="Thing to sort"
        options={items}
        languages={languages}
        before={(item, at) => (
          <PlaceOf
            name={`Thing to sort ${at + 1} belongs to`}
            value={placeOf(right, item.id)}
            places={places}
            onChoose={(group) => onChange({ ...question, right: putInto(right, item.id, group) })}
          />
        )}
        onText={(item) => onChange({ ...question, items: replaced(items, item) }, `item-${item.id}`)}
        onAdd={() => onChange({ ...question, items: [...items, empty()] })}
        onRemove={(id) =>
          onChange({
            ...question,
            items: items.filter((item) => item.id !== id),
            right: right.filter(([item]) => item !== id),
          })
        }
      />
    </div>
  );
}

const share = (value: number) => Math.round(Math.max(0, Math.min(1, value)) * 1000) / 1000;

/** Places are set by pressing the picture, moved with the arrow keys, and taken away with Delete. */
export function LabelsEditor({ question, languages, newId, onChange }: EditorProps<"labels">) {
  const { spots, labels, right } = question;
  const [chosen, setChosen] = useState<string | null>(null);
  const picture = useFile({ onFile: (media) => onChange({ ...question, media }) });
  const language = languages[0]!;
  const names = labels.map((label, at) => ({
    id: label.id,
    text: inLanguage(label.text, languages) || `Name ${at + 1}`,
  }));
  const remove = (id: string) =>
    onChange({
      ...question,
      spots: spots.filter((spot) => spot.id !== id),
      right: right.filter(([spot]) => spot !== id),
    });
  const move = (id: string, x: number, y: number) =>
    onChange(
      {
        ...question,
        spots: spots.map((spot) => (spot.id === id ? { ...spot, x: share(spot.x + x), y: share(spot.y + y) } : spot)),
      },
      `spot-${id}`,
    );
  const add = (x: number, y: number) => {
    if (spots.length >= 20) return tellProblem("Twenty places is the most: children cannot tell more apart.");
    const id = newId();
    onChange({ ...question, spots: [...spots, { id, x: share(x), y: share(y) }] });
    setChosen(id);
  };
  return (
    <div className="grid gap-3">
      <div className="flex items-center gap-2">
        <Button size="small" onClick={picture.choose}>
          <ImagePlus size={15} aria-hidden /> Another picture
        </Button>
        <Button size="small" look="quiet" onClick={() => add(0.5, 0.5)}>
          Another place
        </Button>
        <span className="text-[13px] text-ink-soft">Click the picture where you want a label.</span>
        {picture.input}
      </div>
      <div className="relative w-fit max-w-full">
        {/* eslint-disable-next-line @next/next/no-img-element -- with the keyboard, "Another place" and the arrow keys do the same */}
        <img
          src={mediaAddress(question.media)}
          alt={inLanguage(question.description, languages) ?? ""}
          className="max-h-80 max-w-full cursor-crosshair rounded-card border border-line bg-white"
          onClick={(event) => {
            const box = event.currentTarget.getBoundingClientRect();
            add((event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height);
          }}
        />
        {spots.map((spot, at) => (
          <button
            key={spot.id}
            type="button"
            aria-label={`Place ${at + 1}: arrow keys move it, Delete removes it`}
            aria-pressed={chosen === spot.id}
            onClick={() => setChosen(spot.id)}
            onKeyDown={(event) => {
              const by = { ArrowLeft: [-0.01, 0], ArrowRight: [0.01, 0], ArrowUp: [0, -0.01], ArrowDown: [0, 0.01] }[
                event.key
              ];
              if (event.key === "Delete" || event.key === "Backspace") remove(spot.id);
              else if (by) move(spot.id, by[0]!, by[1]!);
              else return;
              event.preventDefault();
            }}
            style={{ left: `${spot.x * 100}%`, top: `${spot.y * 100}%` }}
            className={`numbers absolute grid h-7 w-7 -translate-x-1/2 -translate-y-1/2 place-items-center rounded-full border-2 bg-card font-bold ${
              chosen === spot.id ? "border-green" : "border-line-strong"
            }`}
          >
            {at + 1}
          </button>
        ))}
      </div>
      <PictureDescription
        value={question.description}
        language={language}
        onText={(description) => onChange({ ...question, description }, `description-${question.id}`)}
      />
      {spots.length > 0 && (
        <ul className="grid gap-1">
          {spots.map((spot, at) => (
            <li key={spot.id} className="numbers flex items-center gap-2">
              <span className="w-6 text-right">{at + 1}</span>
              <PlaceOf
                name={`Name of place ${at + 1}`}
                value={placeOf(right, spot.id)}
                places={names}
                onChoose={(label) => onChange({ ...question, right: putInto(right, spot.id, label) })}
              />
              <Button size="small" look="quiet" onClick={() => remove(spot.id)}>
                Take place {at + 1} away
              </Button>
            </li>
          ))}
        </ul>
      )}
      <OptionList
        name="Name"
        options={labels}
        languages={languages}
        onText={(label) => onChange({ ...question, labels: replaced(labels, label) }, `label-${label.id}`)}
        onAdd={() => onChange({ ...question, labels: [...labels, { id: newId(), text: { [language]: "" } }] })}
        onRemove={(id) =>
          onChange({
            ...question,
            labels: labels.filter((label) => label.id !== id),
            right: right.filter(([, label]) => label !== id),
          })
        }
      />
    </div>
  );
}
