-- Messages that were sent by mail, or wait to be: only where the installation has a mail server.
alter table outbox add column sent timestamptz;
alter table outbox add column tries integer not null default 0;
alter table outbox add column next_try timestamptz;
alter table outbox add column problem text;
create index outbox_waiting on outbox (id) where sent is null;
