-- What each child gained in a piece of work, worked out from what was answered and kept until something of it changes. It can be
-- thrown away at any time: see server/results/judge.ts.

-- How often something changed that the marks of a piece of work depend on.
create table result_change (
  assignment_id integer primary key references assignment on delete cascade,
  number integer not null default 1
);

-- Up to which change it was worked out; none: never.
create table judged (
  assignment_id integer primary key references assignment on delete cascade,
  change integer not null
);

create table outcome (
  assignment_id integer not null references assignment on delete cascade,
  student_id integer not null references person on delete cascade,
  framework text not null,                    -- as documents name it; '' with an empty code: the whole work
  code text not null,
  gained numeric(8,2) not null,
  out_of numeric(8,2) not null,
  questions smallint not null,
  minutes numeric(6,1) not null,
  handed_in timestamptz not null,
  primary key (assignment_id, student_id, framework, code)
);
create index outcome_student on outcome (student_id);

-- The same summed up over those who have something to gain: what is read over a whole year.
create table outcome_sum (
  assignment_id integer not null references assignment on delete cascade,
  framework text not null,
  code text not null,
  gained numeric(10,2) not null,
  out_of numeric(10,2) not null,
  students smallint not null,
  primary key (assignment_id, framework, code)
);

create function note_change(assignments integer[]) returns void language sql as $$
  insert into result_change as c (assignment_id)
  select distinct a.id from unnest(assignments) u(id) join assignment a on a.id = u.id order by a.id
  on conflict (assignment_id) do update set number = c.number + 1
$$;

create function attempts_change_results() returns trigger language plpgsql as $$
begin
  perform note_change(array(select r.assignment_id from changed t join recipient r on r.id = t.recipient_id where t.handed_in is not null));
  return null;
end $$;
create trigger attempts_added after insert on attempt
  referencing new table as changed for each statement execute function attempts_change_results();
create trigger attempts_changed after update on attempt
  referencing new table as changed for each statement execute function attempts_change_results();
create trigger attempts_gone after delete on attempt
  referencing old table as changed for each statement execute function attempts_change_results();

-- An answer to work that was handed in already: it came back to be corrected.
create function responses_change_results() returns trigger language plpgsql as $$
begin
  perform note_change(array(
    select r.assignment_id from changed n join attempt t on t.id = n.attempt_id and t.handed_in is not null
      join recipient r on r.id = t.recipient_id));
  return null;
end $$;
create trigger responses_added after insert on response
  referencing new table as changed for each statement execute function responses_change_results();

create function late_answers_change_results() returns trigger language plpgsql as $$
begin
  perform note_change(array(
    select r.assignment_id from changed l join response s on s.id = l.response_id join attempt t on t.id = s.attempt_id
      join recipient r on r.id = t.recipient_id));
  return null;
end $$;
create trigger late_answers_counted after insert on late_answer_counted
  referencing new table as changed for each statement execute function late_answers_change_results();
create trigger late_answers_left_out after delete on late_answer_counted
  referencing old table as changed for each statement execute function late_answers_change_results();

create function corrections_change_results() returns trigger language plpgsql as $$
begin
  perform note_change(array(select assignment_id from changed));
  return null;
end $$;
create trigger corrections_added after insert on question_correction
  referencing new table as changed for each statement execute function corrections_change_results();
create trigger corrections_changed after update on question_correction
  referencing new table as changed for each statement execute function corrections_change_results();
-- Another revision, another student, a student gone: the same function reads the same column.
create trigger recipients_changed_results after update on recipient
  referencing new table as changed for each statement execute function corrections_change_results();
create trigger recipients_gone_results after delete on recipient
  referencing old table as changed for each statement execute function corrections_change_results();

create function assignments_change_results() returns trigger language plpgsql as $$
begin
  if exists (select 1 from after_it n join before_it o on o.id = n.id where n.keep is distinct from o.keep or n.step_ids is distinct from o.step_ids) then
    perform note_change(array(
      select n.id from after_it n join before_it o on o.id = n.id where n.keep is distinct from o.keep or n.step_ids is distinct from o.step_ids));
  end if;
  return null;
end $$;
create trigger assignments_changed_results after update on assignment
  referencing old table as before_it new table as after_it for each statement execute function assignments_change_results();

-- What was handed in before there were outcomes is to be worked out too.
insert into result_change (assignment_id)
  select distinct r.assignment_id from attempt t join recipient r on r.id = t.recipient_id where t.handed_in is not null;
