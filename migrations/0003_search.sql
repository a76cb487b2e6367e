-- What Find reads. Everything here is computed from the head revision (core/resource/facts.ts) and may be made again.

create extension if not exists pg_trgm;
create extension if not exists unaccent;

-- The default cost makes the planner read every row's vector from its storage table instead of using the index.
do $$ begin
  execute 'alter function pg_catalog.ts_match_vq(tsvector, tsquery) cost 200';
exception when insufficient_privilege then
  raise notice 'Not allowed to raise the cost of ts_match_vq; large searches will be slower.';
end $$;

-- Accents never matter; stems are those of the resource's own language.
create text search configuration satchel_en (copy = pg_catalog.english);
alter text search configuration satchel_en
  alter mapping for asciiword, word, hword, hword_part, asciihword, hword_asciipart with unaccent, english_stem;
create text search configuration satchel_es (copy = pg_catalog.spanish);
alter text search configuration satchel_es
  alter mapping for asciiword, word, hword, hword_part, asciihword, hword_asciipart with unaccent, spanish_stem;

-- Narrow on purpose: small integers and vectors, so that counting reads little. `facets` packs what is counted into one
-- integer: kind (3 bits), length (3), subjects (10), grades K-12 (13). See core/find/facets.ts.
create table search_entry (
  resource_id integer primary key references resource on delete cascade,
  district_id integer not null,
  school_id integer not null default 0,     -- whose staffroom, 0 when on none
  owner_id integer not null,
  shelves smallint not null,                -- 1 staffroom, 2 district, 4 commons; 0: the owner's alone
  facets integer not null,
  also integer not null default 0,          -- languages, country, licence, devices, see core/find/also.ts
  doing integer not null default 0,         -- what students do, one bit each
  minutes smallint not null,
  uses integer not null default 0,
  family integer not null default 0,        -- the resource whose versions it is one of; 0: alone
  fresh timestamptz not null default now(), -- when this revision could first be found
  title_words tsvector not null,
  words tsvector not null
) with (toast_tuple_target = 128);
alter table search_entry alter title_words set storage external, alter words set storage external;
create index search_entry_title_words on search_entry using gin (title_words) with (fastupdate = off);
create index search_entry_words on search_entry using gin (words) with (fastupdate = off);
create index search_entry_owner on search_entry (owner_id);
create index search_entry_family on search_entry (family) where family <> 0;
create index search_entry_fresh on search_entry (fresh);
create index search_entry_popular on search_entry (uses desc, resource_id);

-- What a line and the light table show about a resource, so that a list never opens whole documents.
create table resource_facts (
  resource_id integer primary key references resource on delete cascade,
  facts jsonb not null
);

-- How many entries there are of each sort, kept by triggers: counts before anything is typed need not read every entry.
create table search_tally (
  district_id integer not null,
  school_id integer not null,
  shelves smallint not null,
  facets integer not null,
  entries integer not null,
  primary key (shelves, district_id, school_id, facets)
);

-- Raised by every change of search_entry: what was worked out at an older version is worked out again.
create table search_state (
  version bigint not null
);
insert into search_state values (1);

create function tally_entries() returns trigger language plpgsql as $$
begin
  if tg_op in ('INSERT', 'UPDATE') then
    insert into search_tally as t (district_id, school_id, shelves, facets, entries)
      select district_id, school_id, shelves, facets, count(*) from added where shelves <> 0 group by 1, 2, 3, 4
      on conflict (shelves, district_id, school_id, facets) do update set entries = t.entries + excluded.entries;
  end if;
  if tg_op in ('DELETE', 'UPDATE') then
    update search_tally t set entries = t.entries - r.n
      from (select district_id, school_id, shelves, facets, count(*)::int n from removed group by 1, 2, 3, 4) r
      where (t.district_id, t.school_id, t.shelves, t.facets) = (r.district_id, r.school_id, r.shelves, r.facets);
    delete from search_tally where entries = 0;
  end if;
  update search_state set version = version + 1;
  return null;
end $$;
create trigger tally_added after insert on search_entry
  referencing new table as added for each statement execute function tally_entries();
create trigger tally_removed after delete on search_entry
  referencing old table as removed for each statement execute function tally_entries();
create trigger tally_changed after update on search_entry
  referencing old table as removed new table as added for each statement execute function tally_entries();

-- The words people can mean, as they are written, for beginnings of words and misspellings.
create table search_word (
  word text primary key,
  entries integer not null
);
create index search_word_like on search_word using gin (word gin_trgm_ops);
create index search_word_beginning on search_word (word text_pattern_ops);
