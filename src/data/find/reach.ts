/** Who looks: decides what is found and counted at all. */
export interface Reader {
  id: number;
  school: number | null;
  district: number;
  /** Ids of all that is in her satchel, her own and what she packed: see satchelIds in data/satchel/satchel.ts. */
  satchel: readonly number[];
  /** The version of the search at the beginning of the request, see data/engine/search-cache.ts; asked for when missing. */
  version?: number;
}

// $1 person, $2 school, $3 district, $4 satchel ids: every statement of the search starts with these four.
export const readerParameters = (reader: Reader): unknown[] => [
  reader.id,
  reader.school ?? -1,
  reader.district,
  reader.satchel,
];

/**
 * Which shelves let somebody see a row `alias` of search_entry or search_tally: 0 none. The one place that says so. `school` and
 * `district` are where they come from in the statement; an entry whose resource was put away is not there at all.
 *
 *     select e.resource_id from search_entry e where ${open("e")} <> 0
 */
export const open = (alias: string, { school = "$2", district = "$3" } = {}) => `((${alias}.shelves & 4)
  | case when ${alias}.district_id = ${district} then ${alias}.shelves & 2 else 0 end
  | case when ${alias}.school_id = ${school} then ${alias}.shelves & 1 else 0 end)`;

/** `reach` of a row of search_entry: 0 means it does not exist for this reader. Packing does not outlast the shelf. */
export const reached = `lateral (select ${open("e")} as open) o,
  lateral (select o.open | case when e.owner_id = $1 or (o.open <> 0 and e.resource_id = any($4::int[])) then 8 else 0 end as reach) r`;

/** Whether `reach` is not 0, without working out what is in her satchel, which every row would be compared with. */
export const exists = "(o.open <> 0 or e.owner_id = $1)";

/** What is hers or packed. */
export const inSatchel = "e.resource_id = any($4::int[])";
