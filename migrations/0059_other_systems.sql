-- The school's other system, a course site: it trusts this installation and is trusted by it (1EdTech LTI 1.3).
create table other_system (
  id integer primary key generated always as identity,
  school_id integer not null references school,
  name text not null,
  issuer text not null,
  client_id text not null,
  deployment_id text not null,
  authorize_url text not null,
  token_url text not null,
  keys_url text not null,
  added timestamptz not null,
  by_id integer references person,
  unique (issuer, client_id, deployment_id)
);
create index other_system_school on other_system (school_id);
create index other_system_by on other_system (by_id);

-- A course there, and the class here it is. Addresses of its services are what it said when somebody came in from it last.
create table other_course (
  id integer primary key generated always as identity,
  system_id integer not null references other_system on delete cascade,
  context_id text not null,
  title text not null,
  class_id integer references class on delete set null,
  line_items_url text,
  members_url text,
  cartridge_url text,
  unique (system_id, context_id)
);
create index other_course_class on other_course (class_id);

-- Who comes in from there: what they are called there, and who they are here.
create table other_person (
  system_id integer not null references other_system on delete cascade,
  subject text not null,
  person_id integer not null references person on delete cascade,
  primary key (system_id, subject)
);
create index other_person_person on other_person (person_id);

-- A way in that was begun and is not over: used once.
create table lti_login (
  state_hash text primary key,
  nonce text not null,
  system_id integer not null references other_system on delete cascade,
  expires timestamptz not null
);
create index lti_login_expires on lti_login (expires);
create index lti_login_system on lti_login (system_id);

-- A teacher is choosing from her satchel for a course there: where the choice goes back to.
create table lti_choice (
  token_hash text primary key,
  course_id integer not null references other_course on delete cascade,
  person_id integer not null references person on delete cascade,
  return_url text not null,
  data text,
  several boolean not null,
  expires timestamptz not null
);
create index lti_choice_expires on lti_choice (expires);
create index lti_choice_course on lti_choice (course_id);
create index lti_choice_person on lti_choice (person_id);

-- The key this installation signs with.
create table lti_key (
  id integer primary key generated always as identity,
  private_jwk jsonb not null,
  created timestamptz not null
);

-- What went over to a course, as it was sent: what is there now is compared with it.
create table handed_over (
  course_id integer not null references other_course on delete cascade,
  item text not null,
  assignment_id integer references assignment on delete cascade,
  line_item_url text,
  sent jsonb not null,
  sent_at timestamptz not null,
  by_id integer not null references person,
  primary key (course_id, item)
);
create index handed_over_assignment on handed_over (assignment_id);
create index handed_over_by on handed_over (by_id);

-- A mark that went back, or is to go: what was sent last, and what stood in the way.
create table mark_sent (
  course_id integer not null references other_course on delete cascade,
  assignment_id integer not null references assignment on delete cascade,
  student_id integer not null references person on delete cascade,
  gained numeric,
  out_of numeric,
  sent_at timestamptz,
  tries integer not null default 0,
  next_try timestamptz,
  problem text,
  primary key (course_id, assignment_id, student_id)
);
create index mark_sent_assignment on mark_sent (assignment_id);
create index mark_sent_student on mark_sent (student_id);
