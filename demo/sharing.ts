import { readFileSync } from "node:fs";
import path from "node:path";
import { parse } from "yaml";
import { z } from "zod";
import { addDays, mondayOf } from "@/core/calendar/school-calendar";
import { gradesOfSpan } from "@/core/content/grade";
import { bitsOf } from "@/core/find/facets";
import { subjects } from "@/core/content/vocabulary";
import { curatedShelves } from "@/core/sharing/how-far";
import { reportKinds } from "@/core/sharing/report";
import { one, type Queryable } from "@/data/engine/db";
import { addOffers, decide, proposeChanges } from "@/data/share/offers";
import { saveDraft } from "@/data/adapt/resources";
import { entriesOf } from "@/data/share/sharing";
import { addLink, countOpened } from "@/data/share/links";
import { addPocket, changePocket, pocketMays, putIntoPocket, setKeepers } from "@/data/satchel/pockets";
import { addReport } from "@/data/share/reports";
import { give } from "@/data/share/shares";
import { addTeam, setPart, teamsOf } from "@/data/share/teams";
import { newLinkToken, tokenHash } from "@/server/web/secrets";
import type { Lesson, Town } from "./town";

const DAY = 24 * 3_600_000;
const Sharing = z.object({
  gifts: z.array(z.object({ resource: z.string(), to: z.string(), days: z.number(), note: z.string() })),
  reports: z.array(
    z.object({
      resource: z.string(),
      by: z.string(),
      days: z.number(),
      kind: z.enum(reportKinds),
      step: z.number().int(),
      note: z.string(),
    }),
  ),
  links: z.array(
    z.object({ resource: z.string(), way: z.enum(["look", "copy"]), days: z.number(), opened: z.number().int() }),
  ),
  changes: z.array(
    z.object({ resource: z.string(), shelf: z.enum(curatedShelves), days: z.number(), minutes: z.number() }),
  ),
  /** Pockets that several keep; each thing with who put it in. */
  pockets: z.array(
    z.object({
      name: z.string(),
      owner: z.string(),
      about: z.string(),
      people: z.record(z.string(), z.enum(pocketMays)),
      things: z.record(z.string(), z.string()),
    }),
  ),
  teams: z.array(
    z.object({
      name: z.string(),
      people: z.array(z.string()),
      lines: z.array(z.string()),
      /** Weeks from this one; in each, by part: who, and what is ready. */
      weeks: z.record(
        z.string(),
        z.record(
          z.string(),
          z.object({ maker: z.string(), begun: z.boolean().default(false), resource: z.string().optional() }),
        ),
      ),
    }),
  ),
  offers: z.array(
    z.object({
      resource: z.string(),
      shelf: z.enum(curatedShelves),
      days: z.number(),
      decided: z
        .object({
          ...{
            by: z.string(),
            days: z.number(),
            state: z.enum(["accepted", "returned", "declined"]),
            note: z.string(),
          },
          pins: z.array(z.object({ step: z.number().int(), text: z.string() })).default([]),
        })
        .optional(),
    }),
  ),
});

/** Offers and reports on the curators' desk and what became of some; what colleagues gave one another; a link; a team in its term; pockets they keep together. */
export async function addSharing(tx: Queryable, town: Town, lessons: Map<string, Lesson>, now: Date): Promise<void> {
  const plan = Sharing.parse(parse(readFileSync(path.join(import.meta.dirname, "sharing.yaml"), "utf8")));
  const ago = (days: number) => new Date(now.getTime() - days * DAY);
  const lessonCalled = (name: string) => {
    const lesson = lessons.get(name);
    if (!lesson) throw new Error(`demo/sharing.yaml: there is no lesson ${name}`);
    return lesson;
  };
  const ownerOf = async ({ id }: Lesson) =>
    (await one<{ owner: number }>(tx, "select owner_id owner from resource where id = $1", [id])).owner;
  for (const { resource, to, days, note } of plan.gifts) {
    const lesson = lessonCalled(resource);
    const of = { resources: [lesson.id], people: [town.people.get(to)!], note, at: ago(days) };
    await give(tx, { ...of, by: await ownerOf(lesson), way: "copy" });
  }
  for (const { name, owner, about, people, things } of plan.pockets) {
    const { id } = await addPocket(tx, town.people.get(owner)!, name);
    await changePocket(tx, id, { about, colour: "slate" });
    const keepers = Object.entries(people).map(([person, may]) => ({ id: town.people.get(person)!, may }));
    await setKeepers(tx, id, keepers, ago(30));
    for (const [resource, by] of Object.entries(things))
      await putIntoPocket(tx, id, [lessonCalled(resource).id], town.people.get(by)!, ago(12));
  }
  for (const { resource, by, days, step, ...report } of plan.reports) {
    const { id, document } = lessonCalled(resource);
    const said = { ...report, step: document.steps[step - 1]!.id, by: town.people.get(by)!, at: ago(days) };
    await addReport(tx, { resource: id, ...said });
  }
  for (const { resource, way, days, opened } of plan.links) {
    const lesson = lessonCalled(resource);
    const { title } = lesson.document;
    const made = { by: await ownerOf(lesson), name: Object.values(title)[0]!, way, teacherPart: true, at: ago(days) };
    const id = await addLink(tx, { ...made, hash: tokenHash(newLinkToken()), until: ago(-30) }, [lesson.id]);
    for (let nth = 0; nth < opened; nth += 1) await countOpened(tx, id);
  }
  const monday = mondayOf(now.toISOString().slice(0, 10));
  for (const { name, people, lines, weeks } of plan.teams) {
    const members = people.map((person) => town.people.get(person)!);
    const team = await addTeam(tx, { district: town.district, name, people: members, lines, at: ago(80) });
    const [made] = (await teamsOf(tx, members[0]!)).filter(({ id }) => id === team);
    for (const [nth, parts] of Object.entries(weeks))
      for (const [part, { maker, begun, resource }] of Object.entries(parts))
        await setPart(tx, {
          ...{ line: made!.lines.find((line) => line.name === part)!.id, week: addDays(monday, Number(nth) * 7) },
          ...{ maker: town.people.get(maker)!, begun: begun || resource !== undefined },
          resource: resource === undefined ? null : lessonCalled(resource).id,
        });
  }
  for (const { resource, shelf, days, minutes } of plan.changes) {
    const { id, revision, document } = lessonCalled(resource);
    const by = await ownerOf(lessonCalled(resource));
    const [entry] = (await entriesOf(tx, [id])).filter((one) => one.shelf === shelf);
    const changed = { ...document, minutes };
    await saveDraft(tx, { resource: id, document: changed, base: revision, seen: 0, by, at: ago(days) });
    await proposeChanges(tx, {
      ...{ resource: id, revision, document: changed, shelf, by, district: town.district, at: ago(days) },
      grades: entry!.grades || bitsOf(gradesOfSpan(document.grades)),
      subjects: entry!.subjects || bitsOf(document.subjects.map((subject) => subjects.indexOf(subject))),
    });
  }
  for (const offer of plan.offers) {
    const lesson = lessonCalled(offer.resource);
    const { grades, subjects: of, steps } = lesson.document;
    const bits = {
      grades: bitsOf(gradesOfSpan(grades)),
      subjects: bitsOf(of.map((subject) => subjects.indexOf(subject))),
    };
    const owner = await ownerOf(lesson);
    const [id] = await addOffers(
      tx,
      [{ resource: lesson.id, revision: lesson.revision, shelf: offer.shelf, ...bits }],
      { by: owner, district: town.district, at: ago(offer.days) },
    );
    if (!offer.decided) continue;
    const { by, days, state, note, pins } = offer.decided;
    await decide(tx, id!, {
      ...{ state, note, by: town.people.get(by)!, at: ago(days), ...bits },
      pins: pins.map(({ step, text }) => ({ step: steps[step - 1]!.id, text })),
    });
  }
}
