-- A script as it goes on in one class, after what was not reached has moved to the next lesson. The resource's own stays as it is.
create table script_in_use (
  assignment_id integer primary key references assignment on delete cascade,
  sheet jsonb not null,
  by_id integer not null references person,
  at timestamptz not null
);
create index script_in_use_by on script_in_use (by_id);
