-- A morning: who comes when, what is made for them, by whom and on what, as it was planned. It is solved when it is
-- looked at. A batch belongs to one morning or to none; without one it is worked from its own time line.
create table mornings (
  id         uuid primary key,
  day        date not null,
  plan       jsonb not null,
  revision   integer not null default 1,
  created_at timestamptz not null default now()
);
create index mornings_by_day on mornings (day);
create trigger told after insert or update or delete on mornings for each statement execute function tell_things('mornings');

alter table batches add column morning_id uuid references mornings on delete set null;
create index batches_by_morning on batches (morning_id) where morning_id is not null;
