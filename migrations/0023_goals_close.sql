-- A student's goal is closed when it is reached, or given up: it is kept, and offered no more.
alter table student_goal add column closed timestamptz;
