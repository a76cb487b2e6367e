-- A shelf of readings a teacher opens for a class; what stands on it is written down, with the revision.
create table reading_shelf (
  class_id integer primary key references class on delete cascade,
  opened_by integer not null references person,
  opened timestamptz not null,
  closed timestamptz,
  pocket_id integer references pocket on delete set null,   -- filled from this pocket, or, where null, by the blank
  blank text not null default '',                           -- core/reading/filling.ts
  goal_minutes smallint not null check (goal_minutes between 1 and 600),
  goal_per text not null check (goal_per in ('day', 'week'))
);
create table shelf_reading (
  class_id integer not null references reading_shelf on delete cascade,
  resource_id integer not null references resource on delete cascade,
  revision_id integer not null references revision,
  position smallint not null,
  top boolean not null default false,                       -- the teacher has put it at the top
  primary key (class_id, resource_id)
);
create index shelf_reading_resource on shelf_reading (resource_id);

-- What a child reads: where she is, and whether she has come to the end.
create table reading (
  student_id integer not null references person on delete cascade,
  resource_id integer not null references resource on delete cascade,
  revision_id integer not null references revision,
  step_id text not null,
  began timestamptz not null,
  beat timestamptz not null,                                -- when her screen last said that she reads
  finished timestamptz,
  primary key (student_id, resource_id)
);
create index reading_resource on reading (resource_id) where finished is not null;

-- Seconds really spent, by the school's day.
create table reading_seconds (
  student_id integer not null references person on delete cascade,
  resource_id integer not null references resource on delete cascade,
  date date not null,
  seconds integer not null,
  primary key (student_id, date, resource_id)
);

-- What a child says she likes, by the name of its picture (core/reading/interests.ts).
create table interest (
  student_id integer not null references person on delete cascade,
  name text not null,
  primary key (student_id, name)
);
