-- A second step when staff sign in: a code from an app (RFC 6238), or one of eight written down.
alter table person add column totp_secret text;
-- the time step of the last code that was used: none works twice
alter table person add column totp_used integer;

create table recovery_code (
  person_id integer not null references person on delete cascade,
  code_hash text not null,
  primary key (person_id, code_hash)
);

-- The password was right; the code is still to come.
create table second_step (
  token_hash text primary key,
  person_id integer not null references person on delete cascade,
  tries integer not null default 0,
  expires timestamptz not null
);
create index second_step_person on second_step (person_id);
create index second_step_expires on second_step (expires);

-- What somebody signed in with, so that she knows her sessions apart: "Firefox on Windows".
alter table session add column device text;
