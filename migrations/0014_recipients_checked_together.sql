-- Giving forty things to two hundred children makes 8,000 rows. A foreign key looks for each row's three parents by itself,
-- which took two thirds of the time of all of it; here they are looked for, and locked, once for a whole statement.
-- Nothing else changes: no row points nowhere, a piece of work and a person take their rows along, and a revision that was
-- given to somebody stays.
alter table recipient
  drop constraint recipient_assignment_id_fkey,
  drop constraint recipient_student_id_fkey,
  drop constraint recipient_revision_id_fkey;

create function recipients_have_parents() returns trigger language plpgsql as $$
begin
  -- As a foreign key does it: whoever would delete one of them waits until these rows are there, and then finds them.
  perform 1 from assignment p where p.id in (select assignment_id from added) for key share;
  perform 1 from person p where p.id in (select student_id from added) for key share;
  perform 1 from revision p where p.id in (select revision_id from added) for key share;
  if exists (select 1 from (select distinct assignment_id id from added) r
              where not exists (select 1 from assignment p where p.id = r.id))
    or exists (select 1 from (select distinct student_id id from added) r
                where not exists (select 1 from person p where p.id = r.id))
    or exists (select 1 from (select distinct revision_id id from added) r
                where not exists (select 1 from revision p where p.id = r.id))
  then
    raise exception 'A recipient belongs to an assignment, a person and a revision that are there.'
      using errcode = 'foreign_key_violation';
  end if;
  return null;
end $$;
create trigger recipients_added after insert on recipient
  referencing new table as added for each statement execute function recipients_have_parents();
create trigger recipients_changed after update on recipient
  referencing new table as added for each statement execute function recipients_have_parents();

create function recipients_go_along() returns trigger language plpgsql as $$
begin
  if tg_table_name = 'assignment' then
    delete from recipient where assignment_id in (select id from gone);
  else
    delete from recipient where student_id in (select id from gone);
  end if;
  return null;
end $$;
create trigger recipients_of_assignment after delete on assignment
  referencing old table as gone for each statement execute function recipients_go_along();
create trigger recipients_of_person after delete on person
  referencing old table as gone for each statement execute function recipients_go_along();

create function given_revision_stays() returns trigger language plpgsql as $$
begin
  if exists (select 1 from recipient where revision_id in (select id from gone)) then
    raise exception 'A revision that was given to somebody stays.' using errcode = 'foreign_key_violation';
  end if;
  return null;
end $$;
create trigger recipients_of_revision after delete on revision
  referencing old table as gone for each statement execute function given_revision_stays();
