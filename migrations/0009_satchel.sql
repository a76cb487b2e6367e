-- A pocket has a colour to be told by at a glance; things bear words of hers.
alter table pocket add colour text not null default 'plain'
  check (colour in ('plain', 'moss', 'slate', 'clay', 'plum', 'sand'));

create table tag (
  person_id integer not null references person,
  resource_id integer not null references resource,
  tag text not null check (length(tag) between 1 and 40),
  primary key (person_id, resource_id, tag)
);
create index tag_resource on tag (resource_id);
