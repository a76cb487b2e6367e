-- Guests do one piece of work by a link, without an account, where the school allows it. A guest is a student of no class.
alter table school add column guests boolean not null default false;
alter table person add column guest_of integer references assignment on delete cascade;
create index person_guest on person (guest_of) where guest_of is not null;

create table guest_link (
  assignment_id integer primary key references assignment on delete cascade,
  hash text not null unique,
  made_by integer not null references person,
  made timestamptz not null
);
