-- Who looked at what is known of a child, and when: for her family, who may ask.
create table child_look (
  id integer primary key generated always as identity,
  student_id integer not null references person on delete cascade,
  by_id integer not null references person on delete cascade,
  what text not null,
  at timestamptz not null
);
create index child_look_student on child_look (student_id, at);
create index child_look_by on child_look (by_id);
