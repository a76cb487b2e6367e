-- How often each resource has been assigned. It changes with every assignment, so it is apart from what Find reads:
-- search_entry.uses is what it was last night, which is exact enough to put the much-used first.
create table resource_uses (
  resource_id integer primary key references resource on delete cascade,
  uses integer not null
);
insert into resource_uses select resource_id, uses from search_entry where uses <> 0;
