-- Work that nobody asks for (sweeping, marks that go back, backups): when it is due, whichever process of the installation does it.
create table job (
  name text primary key,
  due timestamptz not null
);
