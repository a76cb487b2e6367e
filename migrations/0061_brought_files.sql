-- What was made of a file that was brought in, as it came: when the file is brought in again, what changed in it since is proposed.
create table brought_file (
  id integer primary key generated always as identity,
  resource_id integer not null unique references resource on delete cascade,
  -- what the file was called
  name text not null,
  -- what became of each page, a digit each
  choices text not null,
  document jsonb not null,
  at timestamptz not null,
  -- as it is in a newer reading of the file, until she says she has looked; null: there is none
  newer jsonb,
  newer_at timestamptz
);
create index brought_file_name on brought_file (lower(name));
