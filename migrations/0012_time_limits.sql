-- When a student opened a question that has a time, so that the time runs on the server and not on a device.
create table question_begun (
  attempt_id integer not null references attempt on delete cascade,
  question_id text not null,
  begun timestamptz not null,
  primary key (attempt_id, question_id)
);

-- Came in when the question's time was over: kept, shown, not counted.
alter table response add column late boolean not null default false;
