-- How students work in single steps of what they were given, where otherwise than its author says: {"step id": "pairs"}.
alter table assignment add column step_work jsonb;

-- The class whose teacher is the first to ask about its children.
alter table class add column homeroom boolean not null default false;
