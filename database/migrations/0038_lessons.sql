-- What this kitchen has learned of itself and uses: one row for each time somebody agreed to a number, ended when it was
-- stopped or another took its place. What a formula is found by hangs on it.
create table lessons (
  id       uuid primary key default gen_random_uuid(),
  lesson   text not null,
  factor   double precision not null check (factor > 0),
  sd       double precision not null check (sd >= 0),
  batches  integer not null check (batches >= 3),
  -- of a surface, "places:<gear>": times a first side takes by place; its factor is 1
  places   jsonb,
  begun_at timestamptz not null default now(),
  ended_at timestamptz
);
create unique index lessons_in_use on lessons (lesson) where ended_at is null;
create trigger told after insert or update on lessons for each statement execute function tell_things('house');
create trigger stamp_kitchen after insert or update or delete or truncate on lessons for each statement execute function stamp_kitchen();

-- A batch that a lesson is not to be learned from.
create table lesson_asides (
  lesson   text not null,
  batch_id uuid not null references batches on delete cascade,
  primary key (lesson, batch_id)
);
create index lesson_asides_by_batch on lesson_asides (batch_id);
create trigger told after insert or delete on lesson_asides for each statement execute function tell_things('house');

-- What was foretold of a batch as it was begun; null: nothing was.
alter table batches add column foretold jsonb;
-- What a test of a slip showed, by the slip: {"old-tin": true}.
alter table batches add column tested jsonb not null default '{}';
