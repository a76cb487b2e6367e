-- When an individual goal counts as met: so much of the marks (0 to 1), so many results running. Null: nothing is said.
alter table student_goal
  add column share numeric(4,3) check (share > 0 and share <= 1),
  add column times smallint check (times between 1 and 10),
  add check ((share is null) = (times is null));
