-- A school may switch short notes between teacher and child off.
alter table school add column step_notes boolean not null default true;
