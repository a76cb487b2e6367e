-- Statements are offered by their words while somebody types.
create index standard_said on standard using gin (to_tsvector('satchel_en', statement));
