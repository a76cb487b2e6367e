"use server";
import { z } from "zod";
import { PlainDate } from "@/core/calendar/plain-date";
import { LostDay } from "@/core/plan/lost-day";
import { addClassDaysOff, addDaysOff, removeClassDaysOff, removeDayOff } from "@/data/plan/calendar";
import { assignmentById, removeUnbegun, setCalledBack } from "@/data/assign/assignments";
import { placesOf, positionsOf, setPlaces, setPositions } from "@/data/assign/places";
import { canonical } from "@/core/resource/changes";
import { recipientsOf } from "@/data/assign/recipients";
import { addEvent, eventOf, setUndone } from "@/data/engine/events";
import { joinParts, splitAssignment } from "@/data/assign/split";
import { announceWork } from "@/data/student/work";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import { putCardsBack, putSchoolBack } from "../office/change-school";
import {
  putDecisionBack,
  putGivenBack,
  putLinkBack,
  putReportBack,
  putSetBack,
  putShelvesBack,
  putHeadBack,
  putPartnerBack,
  putPocketBack,
  putTeamBack,
} from "../share/change-shelves";
import { putWorkBack } from "../assign/change-work";
import { choicesFor, LaidRules, layOutPocket } from "./lay-out";
import { lookAtMoved } from "../assign/look-again";
import { changePlaces, samePlaces, type PlanState } from "./move-work";
import { tellOfLostDay } from "./tell-teachers";
import { permit, type About, type Act } from "../web/permissions";
import { moveTo, nextPlace, partsInMeeting, reflowColumn, withoutDay } from "./reflow";

const Id = z.number().int().positive();
const Period = z.number().int().min(1).max(20);

/** One piece of work to another meeting of its class. Returns the event that undoes it. */
export const moveWork = act(
  "change assignment",
  z.object({ assignment: Id, date: PlainDate, period: Period }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, input) => {
    const place = await moveTo(db, input.assignment, input);
    if (!place) throw new ActionError("noMeetingThen");
    const work = (await assignmentById(db, input.assignment))!;
    const students = (await recipientsOf(db, input.assignment)).map(({ student }) => student);
    const found = await lookAtMoved(db, visitor, work, students, place, now);
    const event = await changePlaces(db, visitor.id, now, "moved a piece of work", [place]);
    return { event, remarks: found.map(({ text }) => text) };
  },
);

/** Work whose lesson is not there any more: each to the next lesson of its class. */
export const rescheduleOrphaned = act(
  "change assignments",
  z.object({ assignments: z.array(Id).min(1).max(200) }),
  (input) => ({ assignments: input.assignments }),
  async ({ db, visitor, now }, input) => {
    const places = [];
    for (const id of input.assignments) {
      const place = await nextPlace(db, id, now);
      if (place) places.push(place);
    }
    if (places.length < input.assignments.length) throw new ActionError("noLessonForSome");
    return { event: await changePlaces(db, visitor.id, now, "moved work to the next lesson", places) };
  },
);

/** Everything of a column from a meeting on, by this many meetings. */
export const moveAllFrom = act(
  "move a class's work",
  z.object({
    class: Id,
    label: z.string().max(60),
    date: PlainDate,
    period: Period,
    by: z.union([z.literal(1), z.literal(-1)]),
  }),
  (input) => ({ date: input.date, class: input.class }),
  async ({ db, visitor, now }, input) => {
    const { moves, stuck } = await reflowColumn(db, input, input, input.by);
    if (stuck.length > 0) throw new ActionError(problemOf("notMovedPastEnd", { count: stuck.length }));
    if (moves.length === 0) throw new ActionError("nothingPlanned");
    const event = await changePlaces(db, visitor.id, now, "moved everything by one lesson", moves);
    return { event, moved: moves.length };
  },
);

/** A day on which these classes do not meet after all; what was planned moves on by as many lessons. One act, one undo. */
export const loseDay = act(
  "lose a day",
  LostDay,
  (input) => ({ date: input.date, classes: input.classes }),
  async ({ db, visitor, now }, input) => {
    const { moves, stuck } = input.move
      ? await withoutDay(db, input.classes, input.date, input.name)
      : { moves: [], stuck: [] };
    if (stuck.length > 0) throw new ActionError(problemOf("notMovedPastEnd", { count: stuck.length }));
    const lost = { classes: input.classes, date: input.date, name: input.name };
    const event = await changePlaces(db, visitor.id, now, "a day was lost", moves, { lost }, (tx) =>
      addClassDaysOff(tx, input.classes, input.date, input.name),
    );
    await tellOfLostDay(db, visitor, { ...input, moved: moves.length }, now);
    return { event, moved: moves.length };
  },
);

/** What can be decided before a pocket is laid out: students, versions, how steps are done. */
export const layOutChoices = act(
  "look into pocket",
  z.object({ pocket: Id }),
  (input) => ({ pocket: input.pocket }),
  ({ db, visitor, now }, input) => choicesFor(db, visitor, input.pocket, now),
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
  (input) => ({
    date: input.date,
    class: input.class,
    pocket: input.pocket,
    versions: input.rules?.versions ?? [],
  }),
  ({ db, visitor, now }, input) => layOutPocket(db, visitor, input, input.give, now, input.rules),
);

/** Splits work that is longer than its lesson: what does not fit goes to the lessons after it. */
export const splitWork = act(
  "change assignment",
  z.object({ assignment: Id }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, input) => {
    const split = await partsInMeeting(db, input.assignment);
    if ("problem" in split) throw new ActionError(split);
    const event = await db.transaction(async (tx) => {
      const before = await placesOf(tx, [input.assignment]);
      const { was, added } = await splitAssignment(tx, input.assignment, split.parts, visitor.id, now);
      await announceWork(tx, input.assignment);
      return addEvent<PlanState>(tx, {
        person: visitor.id,
        at: now,
        what: "split a piece of work",
        before: { places: before },
        after: {
          places: await placesOf(tx, [input.assignment]),
          split: { assignment: input.assignment, was, added },
        },
      });
    });
    return { event, parts: split.parts.length };
  },
);

/** Takes back a change of the plan: everything is where it was, unless somebody has changed it since; then it says so. */
export const undoPlan = act("undo a change of plan", z.object({ event: Id }), async ({ db, visitor, now }, input) => {
  const event = await eventOf<PlanState>(db, visitor.id, input.event);
  if (!event) throw new ActionError("notThere");
  if (event.undone) throw new ActionError("alreadyUndone");
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
    pocket,
    head,
    partner,
  } = event.after;
  const ids = [...placed, ...order.map(({ id }) => id), ...works.map(({ id }) => id)];
  // Whatever it touched she must still be allowed to change: a cover may have ended since.
  const asked: [Act, About][] = [
    ...(schoolLost ? [["change the school's calendar", {}] as [Act, About]] : []),
    ...(schoolChange && schoolChange.class === null ? [["change the school's roster", {}] as [Act, About]] : []),
    ...(schoolChange?.class ? [["change roster", { class: schoolChange.class }] as [Act, About]] : []),
    ...(offer || report || set || partner ? [["keep the desk", {}] as [Act, About]] : []),
    // Somebody who has just left a team may come back by undoing that.
    ...(team ? [["see own teams", {}] as [Act, About]] : []),
    ...(pocket?.left || event.before.pocket?.removed ? [["see own satchel", {}] as [Act, About]] : []),
    ...(pocket?.items ? [["take out of pocket", { pocket: pocket.id }] as [Act, About]] : []),
    ...(pocket?.people && !pocket.left ? [["keep pocket together", { pocket: pocket.id }] as [Act, About]] : []),
    ...(head ? [["edit resource", { resource: head.resource }] as [Act, About]] : []),
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
  if (schoolChange && schoolChange.school !== visitor.school) throw new ActionError("notThere");
  if (asked.length === 0) throw new ActionError("notThere");
  for (const [name, about] of asked)
    if (!(await permit(db, visitor, name, about, now))) throw new ActionError("notThere");
  const said = await db.transaction(async (tx) => {
    const same =
      samePlaces(await placesOf(tx, placed), event.after.places) &&
      canonical(
        await positionsOf(
          tx,
          order.map(({ id }) => id),
        ),
      ) === canonical(order);
    if (!same) throw new ActionError("someChanged");
    const { split } = event.after;
    if (split && !(await joinParts(tx, split.assignment, split.was, split.added))) throw new ActionError("partsBegun");
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
    if (partner) await putPartnerBack(tx, visitor.district, event.before.partner!, partner);
    if (head) await putHeadBack(tx, event.before.head!, head);
    if (pocket) await putPocketBack(tx, event.before.pocket!, pocket, now);
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
    await setUndone(tx, input.event, now);
    for (const id of ids) await announceWork(tx, id);
    if (team) return "The team is as it was.";
    if (pocket) return "The pocket is as it was.";
    if (set) return "The set is as it was.";
    if (report) return "The report is open again.";
    if (link) return link.ended ? "The link works again." : "The link is ended.";
    if (gave) return gave.ended ? "They have it again." : "Taken back.";
    if (offer) return offer.id === null ? "It is back on the shelf." : "It is back on the desk.";
    if (partner) return "Everything is as it was.";
    if (head) return "It is in there again.";
    if (shelves) return "Everything is back where it was.";
    if (cards) return "The old cards work again; the new ones do not.";
    if (works.length > 0 || schoolChange) return "Everything is as it was.";
    if (!event.after.given) return "Everything is where it was.";
    return begun.length > 0 ? "Called back: somebody had begun." : "Taken back.";
  });
  return { said };
});
