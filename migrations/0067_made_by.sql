-- Whose work a resource is, where somebody else keeps it now: its name goes with it when a satchel is handed over.
alter table resource add column made_by_id integer references person;  -- null: its owner's
create index resource_made_by on resource (made_by_id) where made_by_id is not null;
