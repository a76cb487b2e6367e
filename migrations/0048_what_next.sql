-- Work that was assigned because of a result: the two are compared afterwards.
alter table assignment add column follows_id integer references assignment on delete set null;
create index assignment_follows on assignment (follows_id) where follows_id is not null;

-- How hard the text of an entry is to read, in tenths of a grade; null: there is too little of it to say.
alter table search_entry add column reads smallint;
update search_entry e set reads = round((f.facts ->> 'readingGrade')::float8 * 10)
  from resource_facts f where f.resource_id = e.resource_id and f.facts ->> 'readingGrade' is not null;
