-- What is noted of a batch while it is made: mise, checks, corrections, heat, the holding oven, steps of the time line. An
-- entry is written once and never changed; one made in error is struck out.
create table batch_entries (
  id        uuid primary key,
  batch_id  uuid not null references batches (id),
  act       jsonb not null,
  at        timestamptz not null
);
create index batch_entries_by_batch on batch_entries (batch_id, at);

-- What screens have told, by the id they gave it: told twice is told once.
create table batch_told (
  id        uuid primary key,
  batch_id  uuid not null references batches (id),
  at        timestamptz not null default now()
);

-- When it is served, who helps, and which steps were moved by hand.
alter table batches add column timeline jsonb;

-- What came out, on drawn scales; what was thrown away; the one change for next time.
alter table batches add column scales jsonb not null default '{}';
alter table batches add column waste integer check (waste >= 0);
alter table batches add column change text not null default '';

-- The formula as it stands in this batch alone, where something else went in for what was missing.
alter table batches add column swapped jsonb;
