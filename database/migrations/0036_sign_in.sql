-- Who signs on a device of the kitchen's network. Beside the records as the devices are: PINs, who is signed in, what was
-- done through the door, and tokens for programs. Of PINs an argon2 hash is kept, of tokens a SHA-256.
create schema if not exists gate;
create table if not exists gate.pins (
  person_id    uuid primary key,
  pin_hash     text not null,
  wrong        integer not null default 0,
  locked_until timestamptz,
  set_at       timestamptz not null default now()
);
create table if not exists gate.sessions (
  id         uuid primary key,
  device_id  uuid not null references gate.devices (id) on delete cascade,
  person_id  uuid not null,
  token_hash bytea not null unique check (octet_length(token_hash) = 32),
  began_at   timestamptz not null default now(),
  seen_at    timestamptz not null default now(),
  locked_at  timestamptz,
  ended_at   timestamptz
);
create index if not exists sessions_by_device on gate.sessions (device_id, began_at desc);
-- When a session is over: signed off, an hour unused, or fourteen hours after it began.
create or replace function gate.session_ends(s gate.sessions) returns timestamptz language sql stable as
  $$ select least(s.ended_at, s.seen_at + interval '1 hour', s.began_at + interval '14 hours') $$;
create table if not exists gate.tokens (
  id         uuid primary key,
  name       text not null check (char_length(name) between 1 and 40),
  token_hash bytea not null unique check (octet_length(token_hash) = 32),
  scope      text not null check (scope in ('read', 'write')),
  made_at    timestamptz not null default now(),
  expires_at timestamptz not null,
  seen_at    timestamptz,
  revoked_at timestamptz
);
-- Until when the certificate is good that the door shows, as it said when it was given it.
create table if not exists gate.door (
  only_one boolean primary key default true check (only_one),
  ends_at  timestamptz not null
);
create table if not exists gate.audit (
  id        bigint generated always as identity primary key,
  at        timestamptz not null default now(),
  done_at   timestamptz not null default now(),
  device_id uuid,
  person_id uuid,
  what      text not null,
  answer    text not null
);
create index if not exists audit_by_time on gate.audit (at desc);

-- Who, and on which device: noted on what is done through the door. The transaction says it; where nobody has signed
-- the columns stay empty. Rows that come from elsewhere keep what they carry.
create function sign_row() returns trigger language plpgsql as $$
declare
  person uuid := nullif(current_setting('even_crumb.person', true), '')::uuid;
  device uuid := nullif(current_setting('even_crumb.device', true), '')::uuid;
begin
  if tg_op = 'INSERT' then
    new.by_person := coalesce(person, new.by_person);
    new.by_device := coalesce(device, new.by_device);
  else
    new.by_person := person;
    new.by_device := device;
  end if;
  return new;
end $$;
alter table formula_versions add column by_person uuid, add column by_device uuid;
alter table batch_ticks add column by_person uuid, add column by_device uuid;
alter table batch_weights add column by_person uuid, add column by_device uuid;
alter table batch_taps add column by_person uuid, add column by_device uuid;
alter table batch_entries add column by_person uuid, add column by_device uuid;
alter table stock_counts add column by_person uuid, add column by_device uuid;
alter table batches add column by_person uuid, add column by_device uuid;
comment on column batches.by_person is 'who wrote the outcome as it stands';
create trigger signed before insert on formula_versions for each row execute function sign_row();
create trigger signed before insert on batch_ticks for each row execute function sign_row();
create trigger signed before insert or update of grams on batch_weights for each row execute function sign_row();
create trigger signed before insert on batch_taps for each row execute function sign_row();
create trigger signed before insert on batch_entries for each row execute function sign_row();
create trigger signed before insert on stock_counts for each row execute function sign_row();
create trigger signed before update of outcome_revision on batches for each row
  when (new.outcome_revision is distinct from old.outcome_revision) execute function sign_row();
