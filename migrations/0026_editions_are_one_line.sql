-- Editions of one work, of one kind, are versions of one thing and fold into one line in Find (see data/families.ts).
with editions as (
  select d.work, e.facets & 7 kind, e.resource_id, e.family from edition d join search_entry e on e.resource_id = d.resource_id
), works as (
  select work, kind, least(min(resource_id), min(nullif(family, 0))) family from editions
   group by work, kind having count(*) > 1
), joined as (
  select n.resource_id, n.family was, w.family from editions n join works w on w.work = n.work and w.kind = n.kind
)
update search_entry e set family = j.family from joined j
 where e.family <> j.family and (e.resource_id = j.resource_id or (j.was <> 0 and e.family = j.was));
