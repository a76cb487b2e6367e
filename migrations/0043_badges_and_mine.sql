-- The picture a child is known by (core/student/badge.ts); null: one by her number.
alter table person add column badge smallint check (badge between 0 and 63);

-- Pieces of work a child has chosen as hers to keep.
create table mine (
  student_id integer not null references person on delete cascade,
  recipient_id integer not null references recipient on delete cascade,
  chosen timestamptz not null,
  primary key (student_id, recipient_id)
);
