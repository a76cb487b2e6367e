-- What tells look-alikes in a list of results: the title without what does not count in it, and a MinHash of all its words with the
-- numbers left out (core/find/likeness.ts). Null: too short to be told from others. What was published before has none yet and is
-- never folded; it gets one when it is published again.
create table look (
  resource_id integer primary key references resource on delete cascade,
  title text not null,
  pattern text -- a byte of each of its 32 hashes, as hexadecimal digits
);
create index look_title on look (title);
