-- A pocket kept by several people: whose it is stands in pocket.person_id, the others here, each with what she may do.
create table pocket_person (
  pocket_id integer not null references pocket on delete cascade,
  person_id integer not null references person on delete cascade,
  may text not null check (may in ('look', 'add', 'arrange')),
  since timestamptz not null,
  primary key (pocket_id, person_id)
);
create index pocket_person_person on pocket_person (person_id);

-- Who put a thing in: what is her own is seen by those who keep the pocket with her.
alter table pocket_item add column by_id integer references person;
update pocket_item i set by_id = k.person_id from pocket k where k.id = i.pocket_id;
alter table pocket_item alter column by_id set not null;
