-- Units of a topic, and sets, come in an order their curators choose; until then in the order they were made.
alter table curated_set add column position int not null default 0;
update curated_set set position = id;
