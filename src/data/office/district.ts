import { one, type Queryable } from "../engine/db";

/** A school of a district, as the office that keeps the district sees it. */
export interface DistrictSchool {
  id: number;
  name: string;
  zone: string;
  staff: number;
  children: number;
  /** Who is of its office, by name. */
  office: string[];
}

export const schoolsOfDistrict = (db: Queryable, district: number): Promise<DistrictSchool[]> =>
  db.query<DistrictSchool>(
    `select s.id, s.name, s.time_zone zone,
            (select count(*) from person p where p.school_id = s.id and p.kind = 'adult' and p.active)::int staff,
            (select count(*) from person p where p.school_id = s.id and p.kind = 'student' and p.active and p.guest_of is null)::int children,
            coalesce((select array_agg(p.given_name || ' ' || p.family_name order by p.id) from person p
                       where p.school_id = s.id and p.active and exists (select 1 from person_role r where r.person_id = p.id and r.role = 'office')), '{}') office
       from school s where s.district_id = $1 order by s.name, s.id`,
    [district],
  );

/** Whether somebody of an office keeps the whole district. */
export const keepsDistrict = async (db: Queryable, person: number): Promise<boolean> =>
  (
    await db.query("select 1 from person_role where person_id = $1 and role = 'office' and reach = 'district'", [
      person,
    ])
  ).length > 0;

export async function letKeepDistrict(tx: Queryable, person: number): Promise<void> {
  await tx.query("update person_role set reach = 'district' where person_id = $1 and role = 'office'", [person]);
}

/** Adds a school to a district. @throws DatabaseError (school_name_in_district) where it has one of that name */
export const addSchoolTo = async (
  tx: Queryable,
  school: { district: number; name: string; zone: string; locale: string },
): Promise<number> =>
  (
    await one<{ id: number }>(
      tx,
      "insert into school (district_id, name, time_zone, locale) values ($1, $2, $3, $4) returning id",
      [school.district, school.name, school.zone, school.locale],
    )
  ).id;
