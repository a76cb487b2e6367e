import { addDays, mondayOf, schoolClock, type SchoolCalendar } from "@/core/calendar/school-calendar";
import { boardWeeks, loads, type BoardWeek, type Load, type TeamPart } from "@/core/team/board";
import { calendarOf } from "@/data/plan/calendar";
import type { Db } from "@/data/engine/db";
import { ownPublished } from "@/data/adapt/resources";
import { colleaguesOf } from "@/data/share/shares";
import { partsOf, teamsOf, type Team } from "@/data/share/teams";
import type { Visitor } from "../web/session";

const WEEKS_SHOWN = 6;
const MOST_OWN = 500;

export interface TeamBoard {
  team: Team;
  weeks: BoardWeek[];
  parts: TeamPart[];
  loads: (Load & { id: number; name: string })[];
  thisWeek: string;
}

/** Everything the page of teams shows. */
export interface TeamsData {
  me: number;
  teams: { id: number; name: string }[];
  board: TeamBoard | null;
  /** Who could be in a team. */
  colleagues: { id: number; name: string; school: string | null }[];
  /** Her own published things, to put in as ready. */
  own: { id: number; title: string; minutes: number }[];
}

/** Her teams, and the board of the one that is open (or the first) from a week on. */
export async function teamsPage(
  db: Db,
  visitor: Visitor,
  open: number | undefined,
  from: string | null,
  now: Date,
): Promise<TeamsData> {
  const [teams, colleagues, own] = await Promise.all([
    teamsOf(db, visitor.id),
    colleaguesOf(db, visitor),
    ownPublished(db, visitor.id, MOST_OWN),
  ]);
  const team = teams.find(({ id }) => id === open) ?? teams[0];
  const today = schoolClock(now, visitor.zone).date;
  return {
    me: visitor.id,
    teams: teams.map(({ id, name }) => ({ id, name })),
    board: team ? await boardOf(db, visitor, team, from ?? today, today) : null,
    colleagues,
    own,
  };
}

/** For somebody of no school: school is from Monday to Friday. */
const everyWeek: SchoolCalendar = {
  ...{ zone: "UTC", weekdays: [1, 2, 3, 4, 5], terms: [], daysOff: [], classDaysOff: [], cycle: [], bells: [] },
};

async function boardOf(db: Db, visitor: Visitor, team: Team, from: string, today: string): Promise<TeamBoard> {
  const first = mondayOf(from);
  const calendar = visitor.school === null ? everyWeek : await calendarOf(db, visitor.school);
  const parts = await partsOf(db, team.id, first, addDays(first, (WEEKS_SHOWN - 1) * 7));
  const load = loads(
    team.members.map(({ id }) => id),
    parts,
  );
  return {
    team,
    weeks: boardWeeks(calendar, first, WEEKS_SHOWN),
    parts,
    loads: team.members.map((member) => ({ ...member, ...load.get(member.id)! })),
    thisWeek: mondayOf(today),
  };
}
