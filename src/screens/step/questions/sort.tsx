"use client";
import { clsx } from "clsx";
import { X } from "lucide-react";
import { useState } from "react";
import { inLanguage } from "@/core/content/language";
import { mediaAddress } from "../media";
import { Carry, PieceButton, Place } from "./carry";
import { PressList } from "./press-list";
import { partLook, target, type QuestionProps } from "./props";
import { useTranslations } from "use-intl";

/**
 * What is in hand: pressed once it is picked up, pressed at a place it is put there. Finger, mouse and Tab key alike.
 * What is carried need not be in hand.
 */
function useInHand(left: readonly string[]) {
  const [picked, pick] = useState<string | null>(null);
  // The next one comes to hand by itself, so that sorting is one press for each.
  const inHand = picked ?? left[0] ?? null;
  return { inHand, pick };
}

/** Things to sort into groups. */
export function GroupsView({
  question,
  value = [],
  onChange,
  readOnly,
  languages,
  parts,
  labelledBy,
}: QuestionProps<"groups">) {
  const t = useTranslations("question");
  const { groups, items } = question;
  const placed = new Map(value);
  const left = items.filter((item) => !placed.has(item.id));
  const { inHand, pick } = useInHand(left.map((item) => item.id));
  const name = (id: string | null) => inLanguage(items.find((item) => item.id === id)?.text, languages) ?? "";
  const put = (group: string, what = inHand) => {
    if (!what) return;
    onChange([...value.filter(([item]) => item !== what), [what, group]]);
    pick(null);
  };
  const take = (item: string) => {
    onChange(value.filter(([one]) => one !== item));
    pick(item);
  };
  return (
    <Carry onPut={(item, group) => put(group, item)}>
      <div role="group" aria-labelledby={labelledBy} className="grid gap-4">
        {left.length > 0 && (
          <div className="flex flex-wrap gap-2" role="group" aria-label={t("toSort")}>
            {left.map((item) => (
              <PieceButton
                key={item.id}
                piece={item.id}
                disabled={readOnly}
                aria-pressed={inHand === item.id}
                onClick={() => pick(item.id)}
                className={clsx(
                  target,
                  "py-1",
                  inHand === item.id && !readOnly ? "border-green bg-green-wash" : "border-line-strong",
                )}
              >
                {name(item.id)}
              </PieceButton>
            ))}
          </div>
        )}
        <div className="grid grid-cols-[repeat(auto-fit,minmax(10rem,1fr))] gap-3">
          {groups.map((group) => {
            const title = inLanguage(group.text, languages) ?? "";
            const inside = value.filter(([, to]) => to === group.id);
            return (
              <Place
                key={group.id}
                place={group.id}
                role="region"
                aria-label={title}
                className="flex flex-col rounded-card border-2 border-line bg-shade/50"
              >
                <h3 className="border-b border-line px-3 py-2 font-semibold">{title}</h3>
                <ul className="grid flex-1 content-start gap-1 p-2">
                  {inside.map(([item]) => (
                    <li key={item}>
                      {readOnly ? (
                        <span className={clsx(target, "flex items-center py-1", partLook(parts[item]))}>
                          {name(item)}
                        </span>
                      ) : (
                        <PieceButton
                          piece={item}
                          aria-label={t("takeOut", { name: name(item), group: title })}
                          onClick={() => take(item)}
                          className={clsx(target, "flex w-full items-center gap-2 py-1", partLook(parts[item]))}
                        >
                          <span className="flex-1">{name(item)}</span>
                          <X size={18} aria-hidden />
                        </PieceButton>
                      )}
                    </li>
                  ))}
                </ul>
                {!readOnly && (
                  <button
                    type="button"
                    disabled={!inHand}
                    onClick={() => put(group.id)}
                    aria-label={
                      inHand ? t("putInto", { name: name(inHand), group: title }) : t("putIntoGroup", { group: title })
                    }
                    className="m-2 mt-0 min-h-12 rounded-card border-2 border-dashed border-line-strong text-ink-soft disabled:opacity-40"
                  >
                    {t("putHere")}
                  </button>
                )}
              </Place>
            );
          })}
        </div>
      </div>
    </Carry>
  );
}

/** A picture with numbered places, and names to put there. */
export function LabelsView({
  question,
  value = [],
  onChange,
  readOnly,
  languages,
  parts,
  labelledBy,
}: QuestionProps<"labels">) {
  const t = useTranslations("question");
  const { spots, labels } = question;
  const placed = new Map(value);
  const { inHand, pick } = useInHand(spots.filter((spot) => !placed.has(spot.id)).map((spot) => spot.id));
  const name = (id: string | undefined) => inLanguage(labels.find((label) => label.id === id)?.text, languages);
  const put = (label: string, spot = inHand) => {
    if (!spot) return;
    onChange([...value.filter(([one, old]) => one !== spot && old !== label), [spot, label]]);
    pick(null);
  };
  const says = (spot: string, at: number) =>
    t("placeNth", { number: at + 1, name: name(placed.get(spot)) ?? t("noName") });
  return (
    <Carry onPut={put}>
      <div role="group" aria-labelledby={labelledBy} className="grid gap-4">
        <div className="relative w-fit max-w-full">
          {/* eslint-disable-next-line @next/next/no-img-element -- stored files are served as they are */}
          <img
            src={mediaAddress(question.media)}
            alt={inLanguage(question.description, languages) ?? ""}
            className="max-h-[28rem] max-w-full rounded-card border border-line bg-white"
          />
          {spots.map((spot, at) => (
            <Place
              key={spot.id}
              place={spot.id}
              over="rounded-full bg-green/30"
              style={{ left: `${spot.x * 100}%`, top: `${spot.y * 100}%` }}
              className="absolute h-12 w-12 -translate-x-1/2 -translate-y-1/2"
            >
              <button
                type="button"
                disabled={readOnly}
                aria-pressed={inHand === spot.id}
                aria-label={says(spot.id, at)}
                onClick={() => pick(spot.id)}
                className="grid h-12 w-12 place-items-center"
              >
                <span
                  className={clsx(
                    "numbers grid h-8 w-8 place-items-center rounded-full border-2 bg-card font-bold",
                    inHand === spot.id && !readOnly ? "border-green bg-green-wash" : partLook(parts[spot.id]),
                  )}
                >
                  {at + 1}
                </span>
              </button>
            </Place>
          ))}
        </div>
        <ol className="grid gap-1">
          {spots.map((spot, at) => (
            <li key={spot.id} className="numbers flex items-center gap-2">
              <span className="w-6 text-right text-ink-soft">{at + 1}</span>
              <span
                className={clsx(
                  "border-b-2 px-1",
                  placed.has(spot.id) ? partLook(parts[spot.id]) : "border-line text-ink-soft",
                )}
              >
                {name(placed.get(spot.id)) ?? (inHand === spot.id && !readOnly ? t("chooseName") : "…")}
              </span>
            </li>
          ))}
        </ol>
        <PressList
          name={t("names")}
          options={labels}
          languages={languages}
          readOnly={readOnly}
          idle={!inHand}
          isUsed={(id) => value.some(([, one]) => one === id)}
          onPress={(label) => put(label)}
        />
      </div>
    </Carry>
  );
}
