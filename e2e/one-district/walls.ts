import type { Db } from "@/data/engine/db";

interface Reference {
  table: string;
  column: string;
  target: string;
  key: string;
}

/** Every reference of one column from a table to another. */
const references = (db: Db): Promise<Reference[]> =>
  db.query<Reference>(
    `select c.conrelid::regclass::text "table", a.attname "column", c.confrelid::regclass::text target, k.attname key
       from pg_constraint c
       join pg_attribute a on a.attrelid = c.conrelid and a.attnum = c.conkey[1]
       join pg_attribute k on k.attrelid = c.confrelid and k.attnum = c.confkey[1]
      where c.contype = 'f' and array_length(c.conkey, 1) = 1 and c.conrelid <> c.confrelid
        and c.connamespace = 'public'::regnamespace`,
  );

/** How many references away from the district each table is; those it is not reached from are the installation's. */
function stepsFrom(all: readonly Reference[]): Map<string, number> {
  const steps = new Map([["district", 0]]);
  for (let found = true; found;) {
    found = false;
    for (const { table, target } of all)
      if (!steps.has(table) && steps.has(target)) {
        steps.set(table, steps.get(target)! + 1);
        found = true;
      }
  }
  return steps;
}

/** What everybody sees, no matter whose it is: lessons of the commons and those who made them. */
const commons = `
  create function is_common(resource integer) returns boolean language sql stable security definer as
    $$ select exists (select 1 from search_entry e where e.resource_id = resource and e.shelves & 4 <> 0) $$;
  create function made_commons(person integer) returns boolean language sql stable security definer as
    $$ select exists (select 1 from resource r where person in (r.owner_id, r.made_by_id) and is_common(r.id)) $$;
  create function has_commons(school integer) returns boolean language sql stable security definer as
    $$ select exists (select 1 from person p where p.school_id = school and made_commons(p.id)) $$;
  create function district_has_commons(district integer) returns boolean language sql stable security definer as
    $$ select exists (select 1 from search_entry e where e.district_id = district and e.shelves & 4 <> 0) $$;`;
const alsoSeen: Readonly<Record<string, string>> = {
  resource: "is_common(id)",
  search_entry: "is_common(resource_id)",
  search_tally: "shelves & 4 <> 0",
  person: "made_commons(id)",
  school: "has_commons(id)",
  district: "district_has_commons(id)",
};

/**
 * Makes a role of the database for which there is nothing but one district and the commons: of every table that is tied to a district by its
 * references, it has only the rows whose references lead to this one. Whatever a statement of this role comes to is the district's own.
 */
export async function wallIn(db: Db, role: string, district: number): Promise<void> {
  const all = await references(db);
  const steps = stepsFrom(all);
  await db.script(`${commons}
    create role ${role} login;
    grant usage, create on schema public to ${role};
    grant all on all tables in schema public to ${role};
    grant all on all sequences in schema public to ${role};`);
  const withDistrict = new Set(
    (
      await db.query<{ name: string }>(
        "select table_name as name from information_schema.columns where table_schema = 'public' and column_name = 'district_id'",
      )
    ).map(({ name }) => name),
  );
  for (const table of new Set([...steps.keys(), ...withDistrict])) {
    const rules = all
      .filter((one) => one.table === table && one.target !== "district")
      .filter(({ target }) => (steps.get(target) ?? Infinity) < (steps.get(table) ?? Infinity))
      .map(
        ({ column, target, key }) =>
          `(${table}.${column} is null or exists (select 1 from ${target} t where t.${key} = ${table}.${column}))`,
      );
    if (table === "district") rules.push(`id = ${district}`);
    else if (withDistrict.has(table))
      rules.push(`(${table}.district_id is null or ${table}.district_id = ${district})`);
    const also = alsoSeen[table] ? ` or ${alsoSeen[table]}` : "";
    await db.script(`alter table ${table} enable row level security;
      create policy own on ${table} to ${role} using ((${rules.join(" and ")})${also});`);
  }
}
