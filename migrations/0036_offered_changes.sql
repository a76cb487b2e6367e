-- Changes to something that stands on a curated shelf may wait for its curators: what is on the shelf stays until they have decided.
alter table offer add column proposal jsonb;
alter table offer add column proposed timestamptz;
alter table offer add constraint offer_proposal_dated check ((proposal is null) = (proposed is null));
