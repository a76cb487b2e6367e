-- How the marks of a class over weeks come to a total: the teachers of the class share it. core/results/mark-table.ts
create table mark_rules (
  class_id integer primary key references class on delete cascade,
  lowest smallint not null default 0 check (lowest between 0 and 5),
  missing text not null default 'left out' check (missing in ('nothing', 'left out')),
  counted_by text not null default 'work' check (counted_by in ('work', 'marks'))
);

-- How much a piece of work counts, in hundredths; no row: 100.
create table mark_weight (
  assignment_id integer primary key references assignment on delete cascade,
  weight smallint not null check (weight between 0 and 1000)
);

-- A child who need not do a piece of work.
create table excused (
  assignment_id integer not null references assignment on delete cascade,
  student_id integer not null references person on delete cascade,
  by_id integer not null references person,
  at timestamptz not null,
  primary key (assignment_id, student_id)
);

-- A goal tag that a teacher has ended: what was tracked under it stays, and it is offered no more.
create table ended_goal (
  person_id integer not null references person on delete cascade,
  tag text not null,
  at timestamptz not null,
  primary key (person_id, tag)
);
