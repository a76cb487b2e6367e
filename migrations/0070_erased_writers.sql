-- A deleted child's words go from the pages she wrote together with others: core/together/erase.
alter table shared_page add column rewritten integer not null default 0;          -- how often: what somebody remembers of it is not so any more
alter table shared_page_change add column erased boolean not null default false;  -- of a child who was deleted; nothing of hers is in it
