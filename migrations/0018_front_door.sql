-- The code printed at the start of an installation nobody can sign in to yet: it makes the school and its first accounts.
create table first_code (
  one boolean primary key default true check (one),
  code_hash text not null,
  made timestamptz not null
);

-- Somebody new is sent a secret address to choose a password at; only its hash is kept, and it works once.
create table invitation (
  token_hash text primary key,
  person_id integer not null unique references person on delete cascade,
  made timestamptz not null,
  expires timestamptz not null
);

-- How much somebody has uploaded, without reading every file's row.
create index media_added_by on media (added_by);
