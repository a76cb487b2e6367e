-- How often something was tried, counted by all processes together: who it is about is only known by a hash.
create table try_count (
  key_hash text primary key,
  points integer not null,
  until timestamptz not null
);
create index try_count_until on try_count (until);
