-- A correction that also changed the teacher's own version: from which revision to which. Taken back, the earlier one is the head again.
alter table question_correction
  add column fixed_from integer references revision,
  add column fixed_to integer references revision;
create index question_correction_fixed_from on question_correction (fixed_from);
create index question_correction_fixed_to on question_correction (fixed_to);
