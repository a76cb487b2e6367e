-- When the child wrote an answer, on the server's clock: a phone that was away may send an older answer later. Null in
-- answers from before this was known: then it is when they came.
alter table response add column written timestamptz;

-- Answers that came when it was over are kept aside; these the teacher lets count all the same.
create table late_answer_counted (
  response_id integer primary key references response on delete cascade,
  by_id integer not null references person,
  at timestamptz not null
);
