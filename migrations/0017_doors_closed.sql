-- Random keys of this installation, shared by all its processes. "disguise": names and order of what students choose from.
create table installation_key (
  purpose text primary key,
  value text not null
);
insert into installation_key values ('disguise', gen_random_uuid()::text || gen_random_uuid()::text);

-- Who is in a class today, by the school's own calendar day: enrolments have a first and a last day.
create view enrolled as
  select n.class_id, n.student_id
    from enrolment n join class c on c.id = n.class_id join school s on s.id = c.school_id
   where (n.from_date is null or n.from_date <= (now() at time zone s.time_zone)::date)
     and (n.to_date is null or n.to_date >= (now() at time zone s.time_zone)::date);

-- Who was in a class once: her teacher may put her back, and nobody else.
create table left_class (
  class_id integer not null references class on delete cascade,
  student_id integer not null references person on delete cascade,
  at timestamptz not null,
  primary key (class_id, student_id)
);
