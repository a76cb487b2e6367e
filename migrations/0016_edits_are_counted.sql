-- How often a resource was saved, draft or not: a window names the number it has seen, and no number ever comes again. The
-- draft's own counter began at 1 with each new draft, so an old window could take a new draft for the one it knew.
alter table resource add column edits integer not null default 0;
update resource r set edits = d.counter from draft d where d.resource_id = r.id;
alter table draft drop column counter;
