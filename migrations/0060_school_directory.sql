-- Where a school's roster is kept and can be fetched (1EdTech OneRoster 1.2, REST), agreed by its office.
create table school_directory (
  school_id integer primary key references school on delete cascade,
  -- up to and with /ims/oneroster/rostering/v1p2
  address text not null,
  token_url text not null,
  client_id text not null,
  client_secret text not null,
  -- which of the directory's schools this one is; null: it has only one
  org text,
  fetched timestamptz
);

-- The school's own sign-in (OpenID Connect), agreed by its office.
create table sign_in_provider (
  id integer primary key generated always as identity,
  school_id integer not null references school on delete cascade,
  name text not null,
  issuer text not null,
  client_id text not null,
  client_secret text not null,
  added timestamptz not null,
  unique (school_id, issuer)
);

-- Who comes in from there: what they are called there, and who they are here.
create table provider_person (
  provider_id integer not null references sign_in_provider on delete cascade,
  subject text not null,
  person_id integer not null references person on delete cascade,
  primary key (provider_id, subject)
);
create index provider_person_person on provider_person (person_id);

-- A sign-in that was begun there and is not over: used once.
create table provider_login (
  state_hash text primary key,
  provider_id integer not null references sign_in_provider on delete cascade,
  verifier text not null,
  nonce text not null,
  expires timestamptz not null
);
create index provider_login_provider on provider_login (provider_id);
create index provider_login_expires on provider_login (expires);
