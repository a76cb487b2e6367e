-- A pocket may stand inside another (one level), and says what it is for.
alter table pocket add parent_id integer references pocket on delete set null;
alter table pocket add about text not null default '';
alter table pocket add constraint pocket_not_inside_itself check (parent_id is null or parent_id <> id);
