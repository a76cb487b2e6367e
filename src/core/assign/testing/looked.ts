import { lesson } from "@/data/testing/world";
import { daily, isles } from "../../calendar/testing/calendar";
import type { ClassProfile } from "../../fit/fit";
import type { Document } from "../../resource/document";
import { factsOf } from "../../resource/facts";
import type { Finding, LookedAt, LookedClass, LookedResource } from "../finding";
import { whenFor, type AssignForm } from "../form";
import { lastLook } from "../last-look";
import { plainForm } from "../plain-form";

export const now = new Date("2026-11-25T10:00:00Z");
export const me = 7;
export const kittiwake: ClassProfile = {
  name: "5 Kittiwake",
  periodMinutes: 45,
  grades: { from: 5, to: 5 },
  reading: { from: 3.4, to: 6.2 },
  languages: ["en"],
  devices: ["computer", "tablet"],
  country: "XS",
  covered: [],
};
export const form = plainForm(
  { resources: [1], to: [{ class: 1, students: [11, 12] }] },
  { opens: { kind: "place", date: "2026-11-26", period: 1 } },
);
export const resource = (document: Document, more: Partial<LookedResource> = {}): LookedResource => ({
  id: 1,
  title: document.title.en!,
  document,
  facts: { ...factsOf(document), readingGrade: 4 },
  owner: me,
  ownerName: "Ines Halloran",
  mine: true,
  sameSchool: true,
  gone: [],
  ...more,
});

interface LookedMore {
  group?: Partial<LookedClass>;
  resources?: LookedResource[];
  at?: Partial<LookedAt>;
}

/** What is looked at before it goes out: a form that is right, with these parts of it changed. */
export function lookedAt(change: Partial<AssignForm> = {}, more: LookedMore = {}): LookedAt {
  const changedForm = { ...form, ...change };
  const group: LookedClass = {
    id: 1,
    profile: kittiwake,
    calendar: isles,
    when: whenFor(changedForm, isles, daily, now),
    chosen: 2,
    planned: 0,
    nextRoom: null,
    did: [],
    alsoDue: [],
    ...more.group,
  };
  return {
    form: changedForm,
    resources: more.resources ?? [resource(lesson("Tides"))],
    versions: [],
    waitsFor: null,
    withoutConsent: { voice: [], picture: [] },
    versionsToAssign: [],
    classes: [group],
    others: [],
    barClass: { id: 1, name: "5 Kittiwake" },
    me,
    now,
    ...more.at,
  };
}

/** What the last look finds of it. */
export const look = (change: Partial<AssignForm> = {}, more: LookedMore = {}): Finding[] =>
  lastLook(lookedAt(change, more));
export const texts = (found: Finding[]) => found.map(({ text }) => text);
export const remedyOf = (found: Finding[], key: string) => found.find((one) => one.key.startsWith(key))?.remedies[0];
export const changed = (found: Finding[], key: string) => {
  const remedy = remedyOf(found, key);
  return remedy && "change" in remedy ? remedy.change : undefined;
};
