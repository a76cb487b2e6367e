import type { TeamPart } from "@/core/team/board";
import { one, type Queryable } from "../engine/db";

export interface Team {
  id: number;
  name: string;
  members: { id: number; name: string }[];
  /** Parts of the work, in their order. */
  lines: { id: number; name: string }[];
}

const members = `coalesce((select jsonb_agg(jsonb_build_object('id', p.id, 'name', p.given_name || ' ' || p.family_name) order by p.given_name, p.id)
    from team_member m join person p on p.id = m.person_id where m.team_id = t.id), '[]') members`;
const lines = `coalesce((select jsonb_agg(jsonb_build_object('id', l.id, 'name', l.name) order by l.place)
    from team_line l where l.team_id = t.id), '[]') lines`;

/** The teams somebody is in, by name. */
export const teamsOf = (db: Queryable, person: number): Promise<Team[]> =>
  db.query<Team>(
    `select t.id, t.name, ${members}, ${lines} from team t join team_member i on i.team_id = t.id and i.person_id = $1
      order by t.name, t.id`,
    [person],
  );

export async function isInTeam(db: Queryable, person: number, team: number): Promise<boolean> {
  const rows = await db.query("select 1 from team_member where person_id = $1 and team_id = $2", [person, team]);
  return rows.length > 0;
}

export async function addTeam(
  tx: Queryable,
  team: { district: number; name: string; people: readonly number[]; lines: readonly string[]; at: Date },
): Promise<number> {
  const { id } = await one<{ id: number }>(
    tx,
    "insert into team (district_id, name, made) values ($1, $2, $3) returning id",
    [team.district, team.name, team.at],
  );
  await setMembers(tx, id, team.people);
  await setLines(
    tx,
    id,
    team.lines.map((name) => ({ id: null, name })),
  );
  return id;
}

export async function renameTeam(tx: Queryable, team: number, name: string): Promise<void> {
  await tx.query("update team set name = $2 where id = $1", [team, name]);
}

/** Just these people. What somebody who is gone was to make is nobody's; what she made ready stays. */
export async function setMembers(tx: Queryable, team: number, people: readonly number[]): Promise<void> {
  await tx.query("delete from team_member where team_id = $1 and person_id <> all($2::int[])", [team, people]);
  await tx.query(
    "insert into team_member (team_id, person_id) select $1, id from unnest($2::int[]) id on conflict do nothing",
    [team, people],
  );
  await tx.query(
    `update team_part set maker_id = null, begun = false
      where resource_id is null and maker_id <> all($2::int[]) and line_id in (select id from team_line where team_id = $1)`,
    [team, people],
  );
}

/** Just these parts of the work, in this order; `id` null: a new one. What is taken out takes its weeks with it. */
export async function setLines(
  tx: Queryable,
  team: number,
  of: readonly { id: number | null; name: string }[],
): Promise<void> {
  await tx.query("delete from team_line where team_id = $1 and id <> all($2::int[])", [
    team,
    of.flatMap(({ id }) => id ?? []),
  ]);
  for (const [place, { id, name }] of of.entries()) {
    if (id === null)
      await tx.query("insert into team_line (team_id, place, name) values ($1, $2, $3)", [team, place, name]);
    else
      await tx.query("update team_line set place = $3, name = $4 where id = $2 and team_id = $1", [
        team,
        id,
        place,
        name,
      ]);
  }
}

/** A team as its people keep it: all that undoing a change of it needs. */
export interface TeamState {
  name: string;
  people: number[];
  lines: { id: number; name: string }[];
  /** Every part of every week that somebody has or has made. */
  parts: { line: number; week: string; maker: number | null; begun: boolean; resource: number | null }[];
}

/** A team as it stands; locked. */
export async function teamState(tx: Queryable, team: number): Promise<TeamState> {
  const { name } = await one<{ name: string }>(tx, "select name from team where id = $1 for update", [team]);
  const people = await tx.query<{ id: number }>(
    "select person_id id from team_member where team_id = $1 order by person_id",
    [team],
  );
  const ofTeam = await tx.query<{ id: number; name: string }>(
    "select id, name from team_line where team_id = $1 order by place, id",
    [team],
  );
  const parts = await tx.query<TeamState["parts"][number]>(
    `select p.line_id line, p.week::text week, p.maker_id maker, p.begun, p.resource_id resource
       from team_part p join team_line l on l.id = p.line_id where l.team_id = $1 order by 1, 2`,
    [team],
  );
  return { name, people: people.map(({ id }) => id), lines: ofTeam, parts };
}

/** Makes a team just like this again, its parts of the work under the ids they had. */
export async function restoreTeam(tx: Queryable, team: number, state: TeamState): Promise<void> {
  await renameTeam(tx, team, state.name);
  await setMembers(tx, team, state.people);
  await tx.query("delete from team_line where team_id = $1", [team]);
  for (const [place, { id, name }] of state.lines.entries())
    await tx.query("insert into team_line (id, team_id, place, name) values ($1, $2, $3, $4)", [id, team, place, name]);
  for (const part of state.parts) await setPart(tx, part);
}

const part = `p.line_id line, p.week::text week, p.maker_id maker, p.begun,
  case when r.id is null then null else jsonb_build_object('id', r.id, 'title', f.facts ->> 'title', 'minutes', (f.facts ->> 'minutes')::int) end resource`;
// What somebody made who is in the team no more is not shown to it.
const made = `left join resource r on r.id = p.resource_id and r.archived is null and r.head_revision_id is not null
    and exists (select 1 from team_member k where k.team_id = l.team_id and k.person_id = r.owner_id)
  left join resource_facts f on f.resource_id = r.id`;

/** What stands on a team's board in these weeks, both Mondays included. */
export const partsOf = (db: Queryable, team: number, from: string, to: string): Promise<TeamPart[]> =>
  db.query<TeamPart>(
    `select ${part} from team_part p join team_line l on l.id = p.line_id ${made}
      where l.team_id = $1 and p.week between $2::date and $3::date order by p.week, l.place`,
    [team, from, to],
  );

/** What somebody has still to make in these weeks, for any team. */
export const dueParts = (
  db: Queryable,
  person: number,
  from: string,
  to: string,
): Promise<{ team: number; week: string; line: string; name: string }[]> =>
  db.query(
    `select t.id team, t.name, l.name line, p.week::text week from team_part p join team_line l on l.id = p.line_id
       join team t on t.id = l.team_id join team_member m on m.team_id = t.id and m.person_id = p.maker_id
      where p.maker_id = $1 and p.resource_id is null and p.week between $2::date and $3::date order by p.week, t.name, l.place`,
    [person, from, to],
  );

/** One part as it stands now; locked, so that two who change it change it one after the other. Undefined: there is no such line. */
export async function partFor(
  tx: Queryable,
  team: number,
  line: number,
  week: string,
): Promise<{ maker: number | null; begun: boolean; resource: number | null; name: string } | undefined> {
  const [found] = await tx.query<{ name: string }>(
    "select name from team_line where id = $1 and team_id = $2 for update",
    [line, team],
  );
  if (!found) return undefined;
  const [row] = await tx.query<{ maker: number | null; begun: boolean; resource: number | null }>(
    "select maker_id maker, begun, resource_id resource from team_part where line_id = $1 and week = $2::date",
    [line, week],
  );
  return { maker: row?.maker ?? null, begun: row?.begun ?? false, resource: row?.resource ?? null, name: found.name };
}

export async function setPart(
  tx: Queryable,
  of: { line: number; week: string; maker: number | null; begun: boolean; resource: number | null },
): Promise<void> {
  await tx.query(
    `insert into team_part (line_id, week, maker_id, begun, resource_id) values ($1, $2::date, $3, $4, $5)
     on conflict (line_id, week) do update set maker_id = excluded.maker_id, begun = excluded.begun, resource_id = excluded.resource_id`,
    [of.line, of.week, of.maker, of.begun, of.resource],
  );
}

/** A row `r` of resource stands ready on the shelf of a team person $1 is in. */
export const onTeamShelf = `exists (select 1 from team_part tp join team_line tl on tl.id = tp.line_id
  join team_member tm on tm.team_id = tl.team_id and tm.person_id = $1
  join team_member tk on tk.team_id = tl.team_id and tk.person_id = r.owner_id where tp.resource_id = r.id)`;
