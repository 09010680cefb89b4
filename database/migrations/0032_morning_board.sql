-- A morning under way: its schedule as it was begun, or placed anew since, and what was marked as done. A mark is told
-- once by its id, and taken back by another.
alter table mornings add column begun_at timestamptz, add column schedule jsonb;
create table morning_marks (
  id         uuid primary key,
  morning_id uuid not null references mornings on delete cascade,
  step       text not null,
  done       boolean not null,
  at         timestamptz not null default now(),
  seq        bigint generated always as identity
);
create index morning_marks_of on morning_marks (morning_id, seq);
create trigger told after insert on morning_marks for each statement execute function tell_things('mornings');
