-- A picture for a set, out of one of its things: a file by its SHA-256, or one that ships with the application.
alter table curated_set add column cover text;
