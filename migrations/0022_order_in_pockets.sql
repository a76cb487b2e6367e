-- What lies in a pocket has an order of its own; until somebody changes it, the order in which it was put in.
alter table pocket_item add column position integer not null default 0;
update pocket_item i set position = n.at
  from (select pocket_id, resource_id, row_number() over (partition by pocket_id order by added, resource_id) at from pocket_item) n
 where n.pocket_id = i.pocket_id and n.resource_id = i.resource_id;
