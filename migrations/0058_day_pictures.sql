-- A day of a class in pictures, as its teacher made it: for children who need to see what comes next.
create table day_pictures (
  class_id integer not null references class on delete cascade,
  day date not null,
  parts jsonb not null,
  by_id integer not null references person,
  at timestamptz not null,
  primary key (class_id, day)
);
create index day_pictures_by on day_pictures (by_id);
