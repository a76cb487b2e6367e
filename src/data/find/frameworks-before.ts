import type { AssociationKind, FrameworkFile } from "@/formats/case/case";
import type { Queryable } from "../engine/db";
import { importFramework } from "./standards";
import { forgetSearchCache } from "../engine/search-cache";

/** A framework as it stood, so that taking in another edition of it can be undone; null: it was not here. */
export async function frameworkAsItIs(tx: Queryable, district: number, uri: string): Promise<FrameworkFile | null> {
  const [head] = await tx.query<{ id: number } & Pick<FrameworkFile, "uri" | "name" | "publisher" | "source">>(
    "select id, uri, name, publisher, source from framework where district_id = $1 and uri = $2",
    [district, uri],
  );
  if (!head) return null;
  const { id, ...said } = head;
  const statements = await tx.query<{
    uri: string;
    parent: string | null;
    code: string;
    statement: string;
    grades: { from: number; to: number } | null;
  }>(
    `select s.uri, p.uri parent, s.code, s.statement,
            case when s.grade_from is not null then jsonb_build_object('from', s.grade_from, 'to', s.grade_to) end grades
       from standard s left join standard p on p.id = s.parent_id
      where s.framework_id = $1 and not s.withdrawn order by s.position`,
    [id],
  );
  return { ...said, statements, associations: await associationsOf(tx, id), leftOut: [] };
}

const associationsOf = (tx: Queryable, framework: number) =>
  tx.query<{ origin: string; kind: AssociationKind; destination: string }>(
    `select o.uri origin, a.kind, d.uri destination from standard_association a
       join standard o on o.id = a.origin_id join standard d on d.id = a.destination_id
      where $1 in (o.framework_id, d.framework_id)`,
    [framework],
  );

/** When a framework was last taken in; undefined when it is not here any more. */
export async function whenImported(db: Queryable, district: number, framework: number): Promise<Date | undefined> {
  const rows = await db.query<{ imported: Date }>("select imported from framework where id = $1 and district_id = $2", [
    framework,
    district,
  ]);
  return rows[0]?.imported;
}

/**
 * Puts a framework back as it was before somebody took it in. One that was not here goes again; what lessons say about
 * themselves stays in them, and is aligned anew when the framework comes back.
 */
export async function putFrameworkBack(
  tx: Queryable,
  of: { framework: number; district: number; before: FrameworkFile | null; now: Date },
): Promise<void> {
  if (of.before === null) {
    await tx.query("delete from framework where id = $1 and district_id = $2", [of.framework, of.district]);
    await forgetSearchCache(tx);
    return;
  }
  await importFramework(tx, of.before, { district: of.district, now: of.now });
  // Taking in only adds relations: those the undone edition brought go by themselves.
  await tx.query(
    `delete from standard_association a using standard o, standard d
      where o.id = a.origin_id and d.id = a.destination_id and $1 in (o.framework_id, d.framework_id)
        and not exists (select 1 from jsonb_to_recordset($2::jsonb) as g(origin text, kind text, destination text)
                         where g.origin = o.uri and g.kind = a.kind and g.destination = d.uri)`,
    [of.framework, JSON.stringify(of.before.associations)],
  );
}
