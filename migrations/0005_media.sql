-- Files that were uploaded, each kept once on disk by its SHA-256.
create table media (
  sha256 text primary key,
  mime text not null,
  bytes integer not null,
  added_by integer not null references person,
  added timestamptz not null
);
