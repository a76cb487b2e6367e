-- Whoever made a school that is alone in its district keeps the district too, and can add schools to it.
update person_role r set reach = 'district'
  from person p where p.id = r.person_id and r.role = 'office' and r.reach = 'school'
   and (select count(*) from school s where s.district_id = p.district_id) = 1
   and p.id = (select min(o.id) from person o join person_role x on x.person_id = o.id and x.role = 'office' where o.district_id = p.district_id);
create unique index school_name_in_district on school (district_id, lower(name));
