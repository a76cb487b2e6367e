-- How a child likes to read: size, spacing, colours, a line ruler (core/student/comfort.ts). Null: as it comes.
alter table person add column comfort jsonb;
