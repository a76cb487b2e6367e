-- What a school keeps of children, and for how long.
alter table school
  add column keep_months smallint check (keep_months between 6 and 240),  -- after a child has left; null: until the office deletes her
  add column asks_consent boolean not null default false;                 -- voice and pictures only where a family has said yes

-- What a family has said, as the office wrote it down; null: nothing yet.
create table child_consent (
  student_id integer primary key references person on delete cascade,
  voice boolean,
  picture boolean,
  by_id integer references person on delete set null,
  at timestamptz not null
);
create index child_consent_by on child_consent (by_id);

-- That a child's records were deleted, without saying whose they were.
create table child_deleted (
  id integer primary key generated always as identity,
  school_id integer not null references school on delete cascade,
  at timestamptz not null,
  by_id integer references person on delete set null,  -- null: by the school's rule
  rows integer not null,
  files integer not null
);
create index child_deleted_school on child_deleted (school_id, at);
create index child_deleted_by on child_deleted (by_id);
