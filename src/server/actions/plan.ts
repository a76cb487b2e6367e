"use server";
import { z } from "zod";
import { PlainDate } from "@/core/calendar/plain-date";
import { addClassDaysOff, addDaysOff, removeClassDaysOff, removeDayOff } from "@/data/calendar";
import {
  assignmentById,
  placesOf,
  positionsOf,
  removeUnbegun,
  setCalledBack,
  setPlaces,
  setPositions,
} from "@/data/assignments";
import { canonical } from "@/core/resource/changes";
import { recipientsOf } from "@/data/recipients";
import { addEvent, eventOf, setUndone } from "@/data/events";
import { joinParts, splitAssignment } from "@/data/split";
import { announceWork } from "@/data/work";
import { act, notThere, Refused } from "../act";
import { putCardsBack, putSchoolBack } from "../change-school";
import {
  putDecisionBack,
  putGivenBack,
  putLinkBack,
  putReportBack,
  putSetBack,
  putShelvesBack,
  putTeamBack,
} from "../change-shelves";
import { putWorkBack } from "../change-work";
import { choicesFor, LaidRules, layOutPocket } from "../lay-out";
import { lookAtMoved } from "../look-again";
import { changePlaces, samePlaces, type PlanState } from "../move-work";
import { tellOfLostDay } from "../tell-teachers";
import { permit, type About, type Act } from "../permissions";
import { moveTo, nextPlace, partsInMeeting, reflowColumn, withoutDay } from "../reflow";

const Id = z.number().int().positive();
const Period = z.number().int().min(1).max(20);

/** One piece of work to another meeting of its class. Returns the event that undoes it. */
export const moveWork = act(
  "change assignment",
  z.object({ assignment: Id, date: PlainDate, period: Period }),
  (given) => ({ assignment: given.assignment }),
  async ({ db, visitor, now }, given) => {
    const place = await moveTo(db, given.assignment, given);
    if (!place) throw new Refused("The class does not meet then, or the calendar ends before it would be due.");
    const work = (await assignmentById(db, given.assignment))!;
    const students = (await recipientsOf(db, given.assignment)).map(({ student }) => student);
    const found = await lookAtMoved(db, visitor, work, students, place, now);
    const event = await changePlaces(db, visitor.id, now, "moved a piece of work", [place]);
    return { event, remarks: found.map(({ text }) => text) };
  },
);

/** Work whose lesson is not there any more: each to the next lesson of its class. */
export const rehome = act(
  "change assignments",
  z.object({ assignments: z.array(Id).min(1).max(200) }),
  (given) => ({ assignments: given.assignments }),
  async ({ db, visitor, now }, given) => {
    const places = [];
    for (const id of given.assignments) {
      const place = await nextPlace(db, id, now);
      if (place) places.push(place);
    }
    if (places.length < given.assignments.length)
      throw new Refused("For some of it no lesson is left before the calendar ends. Nothing was moved.");
    return { event: await changePlaces(db, visitor.id, now, "moved work to the next lesson", places) };
  },
);

/** Everything of a column from a meeting on, by so many meetings. */
export const moveAllFrom = act(
  "move a class's work",
  z.object({
    class: Id,
    label: z.string().max(60),
    date: PlainDate,
    period: Period,
    by: z.union([z.literal(1), z.literal(-1)]),
  }),
  (given) => ({ date: given.date, class: given.class }),
  async ({ db, visitor, now }, given) => {
    const { moves, stuck } = await reflowColumn(db, given, given, given.by);
    if (stuck.length > 0)
      throw new Refused(`${stuck.length} would fall after the last lesson of the calendar. Nothing was moved.`);
    if (moves.length === 0) throw new Refused("Nothing is planned from there on.");
    const event = await changePlaces(db, visitor.id, now, "moved everything by one lesson", moves);
    return { event, moved: moves.length };
  },
);

/** A day on which these classes do not meet after all; what was planned moves on by as many lessons. One act, one undo. */
export const loseDay = act(
  "lose a day",
  z.object({
    classes: z.array(Id).min(1).max(20),
    date: PlainDate,
    name: z.string().trim().min(1, "Say what takes the day.").max(60),
    move: z.boolean(),
  }),
  (given) => ({ date: given.date, classes: given.classes }),
  async ({ db, visitor, now }, given) => {
    const { moves, stuck } = given.move
      ? await withoutDay(db, given.classes, given.date, given.name)
      : { moves: [], stuck: [] };
    if (stuck.length > 0)
      throw new Refused(`${stuck.length} would fall after the last lesson of the calendar. Nothing was moved.`);
    const lost = { classes: given.classes, date: given.date, name: given.name };
    const event = await changePlaces(db, visitor.id, now, "a day was lost", moves, { lost }, (tx) =>
      addClassDaysOff(tx, given.classes, given.date, given.name),
    );
    await tellOfLostDay(db, visitor, { ...given, moved: moves.length }, now);
    return { event, moved: moves.length };
  },
);

/** What can be decided before a pocket is laid out: students, versions, how steps are done. */
export const layOutChoices = act(
  "change pocket",
  z.object({ pocket: Id }),
  (given) => ({ pocket: given.pocket }),
  ({ db, visitor, now }, given) => choicesFor(db, visitor, given.pocket, now),
);

/** A pocket over the next meetings, by its minutes; long lessons are split between steps. Without `give` it only says how. */
export const layOut = act(
  "lay out a pocket",
  z.object({
    class: Id,
    label: z.string().max(60),
    pocket: Id,
    date: PlainDate,
    period: Period,
    give: z.boolean(),
    rules: LaidRules.nullable().default(null),
  }),
  (given) => ({
    date: given.date,
    class: given.class,
    pocket: given.pocket,
    versions: given.rules?.versions ?? [],
  }),
  ({ db, visitor, now }, given) => layOutPocket(db, visitor, given, given.give, now, given.rules),
);

/** Splits work that is longer than its lesson: what does not fit goes to the lessons after it. */
export const splitWork = act(
  "change assignment",
  z.object({ assignment: Id }),
  (given) => ({ assignment: given.assignment }),
  async ({ db, visitor, now }, given) => {
    const split = await partsInMeeting(db, given.assignment);
    if ("problem" in split) throw new Refused(split.problem);
    const event = await db.transaction(async (tx) => {
      const before = await placesOf(tx, [given.assignment]);
      const { was, added } = await splitAssignment(tx, given.assignment, split.parts, visitor.id, now);
      await announceWork(tx, given.assignment);
      return addEvent<PlanState>(tx, {
        person: visitor.id,
        at: now,
        what: "split a piece of work",
        before: { places: before },
        after: {
          places: await placesOf(tx, [given.assignment]),
          split: { assignment: given.assignment, was, added },
        },
      });
    });
    return { event, parts: split.parts.length };
  },
);

/** Takes back a change of the plan: everything is where it was, unless somebody has changed it since; then it says so. */
export const undoPlan = act("undo a change of plan", z.object({ event: Id }), async ({ db, visitor, now }, given) => {
  const event = await eventOf<PlanState>(db, visitor.id, given.event);
  if (!event) throw new Refused(notThere);
  if (event.undone) throw new Refused("This has been undone already.");
  const placed = event.after.places.map(({ id }) => id);
  const {
    schoolLost,
    lost,
    order = [],
    works = [],
    schoolChange,
    cards,
    shelves,
    offer,
    gave,
    link,
    report,
    set,
    team,
  } = event.after;
  const ids = [...placed, ...order.map(({ id }) => id), ...works.map(({ id }) => id)];
  // Whatever it touched she must still be allowed to change: a cover may have ended since.
  const asked: [Act, About][] = [
    ...(schoolLost ? [["change the school's calendar", {}] as [Act, About]] : []),
    ...(schoolChange && schoolChange.class === null ? [["change the school's roster", {}] as [Act, About]] : []),
    ...(schoolChange?.class ? [["change roster", { class: schoolChange.class }] as [Act, About]] : []),
    ...(offer || report || set ? [["keep the desk", {}] as [Act, About]] : []),
    // Somebody who has just left a team may come back by undoing that.
    ...(team ? [["see own teams", {}] as [Act, About]] : []),
    ...(gave ? [["give to colleagues", { resources: gave.resources }] as [Act, About]] : []),
    ...(link ? [["end a link", {}] as [Act, About]] : []),
    ...(shelves ? [["share resources", { resources: shelves.resources }] as [Act, About]] : []),
    ...(cards
      ? [
          ["change a student", { class: cards.class, students: cards.secrets.map(({ student }) => student) }] as [
            Act,
            About,
          ],
        ]
      : []),
    ...(lost ? [["take back a lost day", { classes: lost.classes }] as [Act, About]] : []),
    ...(ids.length > 0 && !schoolLost ? [["change assignments", { assignments: ids }] as [Act, About]] : []),
  ];
  if (schoolChange && schoolChange.school !== visitor.school) throw new Refused(notThere);
  if (asked.length === 0) throw new Refused(notThere);
  for (const [name, about] of asked) if (!(await permit(db, visitor, name, about, now))) throw new Refused(notThere);
  const said = await db.transaction(async (tx) => {
    const same =
      samePlaces(await placesOf(tx, placed), event.after.places) &&
      canonical(
        await positionsOf(
          tx,
          order.map(({ id }) => id),
        ),
      ) === canonical(order);
    if (!same) throw new Refused("Some of it has been changed since, so it stays as it is now.");
    const { split } = event.after;
    if (split && !(await joinParts(tx, split.assignment, split.was, split.added)))
      throw new Refused("Some students have begun a part, so the parts stay.");
    if (schoolLost) {
      await removeDayOff(tx, schoolLost.school, schoolLost.date);
      if (schoolLost.before) await addDaysOff(tx, schoolLost.school, [schoolLost.before]);
    }
    if (lost) await removeClassDaysOff(tx, lost.classes, lost.date);
    await setPlaces(tx, event.before.places);
    await setPositions(tx, event.before.order ?? []);
    if (schoolChange) await putSchoolBack(tx, schoolChange);
    if (gave) await putGivenBack(tx, gave, now);
    if (team) await putTeamBack(tx, event.before.team!, team);
    if (set) await putSetBack(tx, visitor.district, event.before.set!, set);
    if (report) await putReportBack(tx, event.before.report!, report);
    if (link) await putLinkBack(tx, visitor.id, link, now);
    if (offer) await putDecisionBack(tx, visitor.id, event.before.offer!, offer);
    if (shelves) await putShelvesBack(tx, event.before.shelves!, shelves);
    if (cards) await putCardsBack(tx, event.before.cards!.secrets, cards.secrets);
    await putWorkBack(tx, event.before.works ?? [], works);
    // What was given is gone as if it never had been; what somebody has begun meanwhile is only called back.
    const gone = event.after.given ? await removeUnbegun(tx, placed) : [];
    const begun = event.after.given ? placed.filter((id) => !gone.includes(id)) : [];
    for (const id of begun) await setCalledBack(tx, id, now);
    await setUndone(tx, given.event, now);
    for (const id of ids) await announceWork(tx, id);
    if (team) return "The team is as it was.";
    if (set) return "The set is as it was.";
    if (report) return "The report is open again.";
    if (link) return link.ended ? "The link works again." : "The link is ended.";
    if (gave) return gave.ended ? "They have it again." : "Taken back.";
    if (offer) return offer.id === null ? "It is back on the shelf." : "It is back on the desk.";
    if (shelves) return "Everything is back where it was.";
    if (cards) return "The old cards work again; the new ones do not.";
    if (works.length > 0 || schoolChange) return "Everything is as it was.";
    if (!event.after.given) return "Everything is where it was.";
    return begun.length > 0 ? "Called back: somebody had begun." : "Taken back.";
  });
  return { said };
});
